import type { Assembly } from './assembly';
import { INSIDE } from './inside';
import { OUTSIDE } from './outside';
import { STRUCTURE } from './structure';

/** Every assembly that ships, in the order in which they are offered. */
export const ASSEMBLIES: readonly Assembly[] = [...OUTSIDE, ...INSIDE, ...STRUCTURE];
