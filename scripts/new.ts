/** `npm run new -- command <subject>.<verb> [plan|job|firm] [table]`: lays the files of a command; docs/how-to.md goes on from there. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { layCommand, type Laying } from './lay-command';

const root = join(import.meta.dirname, '..');
const [what, type = '', affects = 'job', table] = process.argv.slice(2);
const [subject = '', verb = ''] = type.split('.');

if (what !== 'command' || !/^[a-z-]+\.[a-z-]+$/.test(type) || !['plan', 'job', 'firm'].includes(affects)) {
  console.error('Say: npm run new -- command <subject>.<verb> [plan|job|firm] [table]');
  process.exit(1);
}

const files = new Map(
  ['src/contract/commands', 'src/server', 'tests/support', 'tests/integration'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts'))
      .map((file) => [`${folder}/${file}`, readFileSync(join(root, folder, file), 'utf8')] as const),
  ),
);
try {
  const laid = layCommand(files, { subject, verb, affects: affects as Laying['affects'], table: table ?? subject });
  for (const [path, text] of laid) {
    const target = join(root, path);
    mkdirSync(dirname(target), { recursive: true });
    writeFileSync(target, await format(text, { ...(await resolveConfig(target)), filepath: target }));
    console.log(path);
  }
  console.log('Laid. Go on with docs/how-to.md, “a command”, from step 2; npx tsc --noEmit says what is missing.');
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
