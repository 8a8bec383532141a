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
  const heading = (words: string): number => {
    const at = lines.findIndex((line) => line.trim().toUpperCase().startsWith(words));
    if (at < 0) throw new Unreadable(lines.length - 1, `the section ${words} is missing; the file is cut short.`);
    return at;
  };
  try {
    const [precedence, requests, availabilities] = [
      heading('PRECEDENCE RELATIONS'),
      heading('REQUESTS/DURATIONS'),
      heading('RESOURCEAVAILABILITIES'),
    ];
    const capacities = readCapacities(lines, availabilities + 2);
    const followers = readFollowers(lines, precedence + 2);
    // A line of names and one of dashes stand under the heading.
    const { durations, demands } = readRequests(lines, requests + 3, capacities.length);
    if (durations.length === 0 || durations.length !== followers.length)
      throw new Unreadable(
        requests,
        `${followers.length} jobs have relations and ${durations.length} have durations; the file is cut short.`,
      );
    return makeProject({ durations, capacities, demands, followers });
  } catch (error) {
    if (error instanceof Unreadable) return refuse({ code: 'project-unreadable', message: error.message });
    throw error;
  }
}

/** Says inside the reader on which line, counted from 0, the file is not what it should be. */
class Unreadable extends Error {
  constructor(at: number, message: string) {
    super(`Line ${at + 1}: ${message}`);
  }
}

function readCapacities(lines: readonly string[], at: number): number[] {
  const capacities = numbersOf(lines[at] ?? '');
  if (capacities.length > MOST_RESOURCES || capacities.some((capacity) => !Number.isInteger(capacity) || capacity < 0))
    throw new Unreadable(at, 'what there is of each resource must be whole numbers.');
  return capacities;
}

/** Lines of numbers from here on, each with where it stands. */
function numbersFrom(lines: readonly string[], first: number): { at: number; numbers: number[] }[] {
  const end = lines.findIndex((line, at) => at >= first && !/^\s*-?\d/.test(line));
  return lines
    .slice(first, end < 0 ? lines.length : end)
    .map((line, index) => ({ at: first + index, numbers: numbersOf(line) }));
}

/** Who follows each job, by number from 0. */
function readFollowers(lines: readonly string[], first: number): number[][] {
  return numbersFrom(lines, first).map(({ at, numbers: [job, modes, count, ...list] }, index) => {
    if (job !== index + 1) throw new Unreadable(at, `job ${index + 1} is expected here.`);
    if (modes !== 1) throw new Unreadable(at, `job ${job} has ${modes ?? 'no'} modes; one is read.`);
    if (list.length !== count || list.some((follower) => !Number.isInteger(follower)))
      throw new Unreadable(at, `job ${job} names ${list.length} followers and says ${count ?? 'nothing'}.`);
    if (index >= MOST_JOBS) throw new Unreadable(at, `more than ${MOST_JOBS} jobs.`);
    return list.map((follower) => follower - 1);
  });
}

function readRequests(
  lines: readonly string[],
  first: number,
  resources: number,
): { durations: number[]; demands: number[][] } {
  const rows = numbersFrom(lines, first).map(({ at, numbers: [job, , duration, ...asked] }, index) => {
    if (job !== index + 1) throw new Unreadable(at, `job ${index + 1} is expected here.`);
    if (duration === undefined || asked.length !== resources)
      throw new Unreadable(at, `job ${job} must have a duration and ${resources} requests.`);
    return { duration, asked };
  });
  return { durations: rows.map((row) => row.duration), demands: rows.map((row) => row.asked) };
}
