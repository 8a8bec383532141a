import { tradeSaid } from '../narration/lexicon';
import type { Trade } from '../sequence/trades';

/** Things of a house that a narration of work seldom names, and whose they are; asked before all else. */
const THINGS: readonly (readonly [Trade, RegExp])[] = [
  ['gas', / (?:gas|propane) /],
  ['wiring', / (?:power|mains|fuse ?box|meter|alarms?|aerial|doorbell|data|phone line) /],
  ['plumbing', / (?:water|heating|radiators?|boiler|heater|softener|cistern|bath|sewer|soil) /],
];

/** Whose thing it is, by its name: a pipe is the plumber's. @returns null where its name does not tell */
export function whoseThing(name: string): Trade | null {
  const words = ` ${name
    .toLowerCase()
    .replaceAll(/[^\p{L}\d]+/gu, ' ')
    .trim()} `;
  return THINGS.find(([, pattern]) => pattern.test(words))?.[0] ?? tradeSaid(words) ?? null;
}
