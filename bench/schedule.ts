import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { search } from '@/core/schedule/search';
import { makeProject, type Project } from '@/core/schedule/project';
import { seeded } from '@/core/units/seeded';
import { readSm } from '@/core/schedule/sm-file';
import { figure, inTurn, median, type Figure } from './measure';

const SCHEDULES = 5_000;

/** Thirty jobs on four scarce resources, the same on every machine. */
function thirty(): Project {
  const random = seeded(7);
  const below = (most: number): number => Math.floor(random() * most);
  const project = makeProject({
    durations: Array.from({ length: 30 }, () => 1 + below(10)),
    capacities: [11, 12, 11, 12],
    demands: Array.from({ length: 30 }, () => Array.from({ length: 4 }, () => below(9))),
    followers: Array.from({ length: 30 }, (_, job) => (job < 27 ? [job + 1 + below(3)] : [])),
  });
  if (!project.ok) throw new Error(project.problem.message);
  return project.value;
}

interface Reference {
  file: string;
  jobs: number;
  optimum: number | null;
  heuristic_ub: number;
}

/**
 * How fast schedules are made, and, where `AFTERMIST_INSTANCES` names a folder of instances with its reference, how
 * good they are.
 */
export async function scheduleFigures(): Promise<Figure[]> {
  const project = thirty();
  let made = 0;
  const [times = []] = await inTurn(5, [
    () => {
      made = search(project, { schedules: SCHEDULES }).schedules;
    },
  ]);
  return [
    figure('schedules of thirty jobs', (1000 * made) / median(times), 'a second', '20 000 a second', 20_000),
    ...quality(),
  ];
}

function quality(): Figure[] {
  const folder = process.env['AFTERMIST_INSTANCES'];
  if (!folder) return [];
  const reference = JSON.parse(readFileSync(join(folder, 'reference.json'), 'utf8')) as Reference[];
  const there = new Set(readdirSync(join(folder, 'instances')));
  const over = (wanted: (entry: Reference) => boolean): number => {
    const list = reference
      .filter((candidate) => there.has(candidate.file) && wanted(candidate))
      .map((candidate) => {
        const project = readSm(readFileSync(join(folder, 'instances', candidate.file), 'utf8'));
        if (!project.ok) throw new Error(`${candidate.file}: ${project.problem.message}`);
        return (
          search(project.value, { schedules: SCHEDULES }).makespan /
            (candidate.jobs === 30 && candidate.optimum !== null ? candidate.optimum : candidate.heuristic_ub) -
          1
        );
      });
    return (100 * list.reduce((sum, candidate) => sum + candidate, 0)) / list.length;
  };
  return [
    figure(
      `over the proven best, 30 jobs, ${SCHEDULES} schedules`,
      over((entry) => entry.jobs === 30),
      '%',
      '0.2 %',
      0.2,
    ),
    figure(
      `over the reference of 50 000 schedules, 60 and 120 jobs, ${SCHEDULES} schedules`,
      over((entry) => entry.jobs > 30),
      '%',
      '3 %',
      3,
    ),
  ];
}
