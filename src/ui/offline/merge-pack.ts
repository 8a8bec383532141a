import type { JobPack, PackMarks, PackNews } from '@/contract/views/walk';

/** A pack as this device keeps it, with the marks of its parts. */
export interface KeptPack {
  job: JobPack;
  marks: PackMarks;
}

/**
 * The pack of a job after what is new was taken in; undefined where something is missing on this device that the server
 * took for known: then all of it has to be asked for again.
 */
export function mergedPack(
  kept: KeptPack | undefined,
  news: PackNews['jobs'][number],
  { clock, today }: Pick<PackNews, 'clock' | 'today'>,
): KeptPack | undefined {
  const rest = news.rest ?? kept?.job;
  const areas = new Map([...(kept?.job.areas ?? []), ...news.areas].map((area) => [area.id, area]));
  const inOrder = news.order.flatMap((id) => areas.get(id) ?? []);
  if (!rest || inOrder.length !== news.order.length) return undefined;
  return { job: { ...rest, areas: inOrder, clock, today }, marks: news.marks };
}
