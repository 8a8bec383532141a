import { refuse, type Outcome } from '../problem';
import { makeProject, type Project } from './project';

/** More than any instance anybody measures with, and little enough to end at once on a file that means harm. */
const MOST_JOBS = 2_000;
const MOST_RESOURCES = 64;

const numbersOf = (line: string): number[] => line.trim().split(/\s+/).map(Number);

/**
 * Reads a single-mode project in the public text format: precedence relations, requests with durations, availabilities.
 * @returns a problem that names the line where the file is cut short or does not say what it should
 */
export function readSm(text: string): Outcome<Project> {
  const lines = text.split(/\r?\n/);
  const bad = (line: number, message: string): Outcome<Project> =>
    refuse({ code: 'project-unreadable', message: `Line ${line + 1}: ${message}` });
  const heading = (words: string): number => lines.findIndex((line) => line.trim().toUpperCase().startsWith(words));
  const [precedence, requests, availabilities] = [
    heading('PRECEDENCE RELATIONS'),
    heading('REQUESTS/DURATIONS'),
    heading('RESOURCEAVAILABILITIES'),
  ];
  for (const [at, words] of [
    [precedence, 'PRECEDENCE RELATIONS'],
    [requests, 'REQUESTS/DURATIONS'],
    [availabilities, 'RESOURCEAVAILABILITIES'],
  ] as const)
    if (at < 0) return bad(lines.length - 1, `the section ${words} is missing; the file is cut short.`);
  const capacities = numbersOf(lines[availabilities + 2] ?? '');
  if (capacities.length > MOST_RESOURCES || capacities.some((capacity) => !Number.isInteger(capacity) || capacity < 0))
    return bad(availabilities + 2, 'what there is of each resource must be whole numbers.');
  const followers: number[][] = [];
  for (let at = precedence + 2; at < lines.length && /^\s*-?\d/.test(lines[at] ?? ''); at++) {
    const [job, modes, count, ...list] = numbersOf(lines[at] ?? '');
    if (job !== followers.length + 1) return bad(at, `job ${followers.length + 1} is expected here.`);
    if (modes !== 1) return bad(at, `job ${job} has ${modes ?? 'no'} modes; one is read.`);
    if (list.length !== count || list.some((follower) => !Number.isInteger(follower)))
      return bad(at, `job ${job} names ${list.length} followers and says ${count ?? 'nothing'}.`);
    if (followers.length >= MOST_JOBS) return bad(at, `more than ${MOST_JOBS} jobs.`);
    followers.push(list.map((follower) => follower - 1));
  }
  const durations: number[] = [];
  const demands: number[][] = [];
  // A line of names and one of dashes stand under the heading.
  for (let at = requests + 3; at < lines.length && /^\s*-?\d/.test(lines[at] ?? ''); at++) {
    const [job, , duration, ...asked] = numbersOf(lines[at] ?? '');
    if (job !== durations.length + 1) return bad(at, `job ${durations.length + 1} is expected here.`);
    if (duration === undefined || asked.length !== capacities.length)
      return bad(at, `job ${job} must have a duration and ${capacities.length} requests.`);
    durations.push(duration);
    demands.push(asked);
  }
  if (durations.length === 0 || durations.length !== followers.length)
    return bad(
      requests,
      `${followers.length} jobs have relations and ${durations.length} have durations; the file is cut short.`,
    );
  return makeProject({ durations, capacities, demands, followers });
}
