import { areaRows } from '../reading/job';
import { ofJob } from '../reading/reading';

/** Areas of a job with all that they are called: what a narration is read with. */
export const spokenNames = ofJob((job): { name: string; synonyms: string[] }[] =>
  areaRows(job).map(({ name, called }) => ({ name, synonyms: synonymsOf(name, called) })),
);

/** What people call an area besides its name: what was said of it, and short for a long name. */
export const synonymsOf = (name: string, called: string): string[] => [...usualNames(name), ...namesIn(called)];

/** Names that stand together, parted by semicolons. */
export const namesIn = (called: string): string[] =>
  called
    .split(';')
    .map((entry) => entry.trim())
    .filter(Boolean);

/** Short for a long name: “Yard and drain run” is the yard, and the drain run. */
const usualNames = (name: string): string[] =>
  name
    .split(/ and | & |, /)
    .map((part) => part.trim().replace(/’/g, "'"))
    .filter((part) => part !== name && part.length > 2);
