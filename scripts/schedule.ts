import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { search } from '@/core/schedule/search';
import { readSm } from '@/core/schedule/sm-file';

/**
 * `npm run schedule -- FILE.sm… [--schedules N] [--seed S]`: places and improves public-format projects, a line of JSON
 * for each.
 */
const SCHEDULES = 5_000;

const args = process.argv.slice(2);
const option = (name: string, usual: number): number => {
  const at = args.indexOf(`--${name}`);
  if (at < 0) return usual;
  const value = Number(args.splice(at, 2)[1]);
  if (!Number.isInteger(value) || value < 1) {
    console.error(`--${name} must be a whole number from 1.`);
    process.exit(1);
  }
  return value;
};
const [schedules, seed] = [option('schedules', SCHEDULES), option('seed', 1)];
if (args.length === 0) {
  console.error('Name at least one file: npm run schedule -- FILE.sm [--schedules N] [--seed S]');
  process.exit(1);
}

let failed = false;
for (const file of args) {
  const project = readSm(readFileSync(file, 'utf8'));
  if (!project.ok) {
    failed = true;
    console.error(`${basename(file)}: ${project.problem.message}`);
    continue;
  }
  const began = performance.now();
  const found = search(project.value, { schedules, seed });
  console.log(
    JSON.stringify({
      file: basename(file),
      makespan: found.makespan,
      bound: found.bound,
      schedules: found.schedules,
      ms: Math.round(performance.now() - began),
      starts: [...found.starts],
    }),
  );
}
process.exit(failed ? 1 : 0);
