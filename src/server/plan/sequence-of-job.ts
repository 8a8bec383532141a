import { serialize } from 'node:v8';
import { sequenceOf, type Sequence } from '@/core/sequence/links';
import type { Site } from '@/core/sequence/site';

/** What each job's order of work was thought through from, and what it came to. */
const known = new Map<string, { site: Buffer; sequence: Sequence }>();

/**
 * The order of a job's work. It is most of what a plan's input costs, and follows from the site alone: it is thought through
 * anew only where the site is another than the last time, whatever became of other jobs.
 */
export function sequenceOfJob(site: Site): Sequence {
  const bytes = serialize(site);
  const before = known.get(site.id);
  if (before?.site.equals(bytes)) return before.sequence;
  const sequence = sequenceOf(site);
  known.set(site.id, { site: bytes, sequence });
  return sequence;
}
