/** So many pictures of one link are taken in an hour. */
const AN_HOUR = 60;
const HOUR_MS = 3_600_000;

/** When pictures came in by each link within the last hour. */
const came = new Map<string, number[]>();

/** Whether one more picture is taken by a link; it counts then. */
export function mayHandIn(link: string, now: Date): boolean {
  const since = now.getTime() - HOUR_MS;
  const lately = (came.get(link) ?? []).filter((at) => at > since);
  if (lately.length >= AN_HOUR) return false;
  came.set(link, [...lately, now.getTime()]);
  return true;
}
