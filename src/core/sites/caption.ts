import type { Phase } from '../sequence/phases';
import type { Day } from '../units/day';

/** What stands under the name of an area on the section: how it is doing, or what comes next there. */
export type Caption =
  | { kind: 'no-work'; livedIn: boolean }
  | { kind: 'done' }
  /** Something holds it, by what people call it. */
  | { kind: 'waits'; label: string }
  | { kind: 'not-planned' }
  /** The house has no other toilet until work begins here. */
  | { kind: 'only-toilet'; until: Day }
  /** Work begins there. */
  | { kind: 'begins'; day: Day }
  | { kind: 'next'; phase: Phase; day: Day };
