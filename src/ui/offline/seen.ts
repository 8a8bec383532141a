import { routes, type Path } from '@/contract/routes';
import { formatTime } from '@/core/units/date-words';
import { formatDay } from '@/core/units/day';
import { dayIn, timeIn } from '@/core/units/zone';
import { officeZone } from './clock';

/** Pages as they were seen last, for whoever stands without a signal. */
export const SEEN = 'aftermist-seen-1';
/** When they were kept last on this device. */
export const SEEN_AT = 'aftermist-seen-at';
/** The job that was open last on this device. */
export const LAST_JOB = 'aftermist-last-job';
/** Seldom enough that a phone does not fetch for nothing, often enough that a morning's plan is of that morning. */
const EVERY_MS = 10 * 60_000;

/** What is looked up on site: where to be, the rooms, the schedule, what was ordered and chosen. */
const pagesOf = (job: string | null): Path[] => [
  routes.today(),
  routes.board(),
  ...(job ? [routes.rooms(job), routes.schedule(job), routes.selections(job), routes.purchasing(job)] : []),
];

/** Keeps what is looked up on site as it is now; each page says of itself when that was. */
export async function keepSeen(): Promise<void> {
  if (!('caches' in globalThis) || !isDue()) return;
  const job = localStorage.getItem(LAST_JOB);
  const kept = await caches.open(SEEN);
  for (const path of pagesOf(job)) {
    const answer = await fetch(path, { headers: { accept: 'text/html' } });
    // Whoever was signed out meanwhile is sent to the door: that is no page to keep.
    if (!answer.ok || answer.redirected) return;
    const page = readable(await answer.text(), new Date());
    await kept.put(path, new Response(page, { headers: { 'content-type': 'text/html; charset=utf-8' } }));
  }
  localStorage.setItem(SEEN_AT, String(Date.now()));
}

function isDue(): boolean {
  const since = Date.now() - Number(localStorage.getItem(SEEN_AT) ?? 0);
  return since < 0 || since >= EVERY_MS;
}

/**
 * A page to be read and not to be worked with: without its scripts, which would ask a server that does not answer, and with
 * a line that says of when it is.
 */
export function readable(page: string, at: Date): string {
  const zone = officeZone();
  const when = `${formatDay(dayIn(zone, at))}, ${formatTime(timeIn(zone, at))}`;
  return page
    .replace(/<script\b[\s\S]*?<\/script>/g, '')
    .replace(/<link[^>]+as="script"[^>]*>/g, '')
    .replace(
      '<main id="main"',
      `<p class="seen-at" role="status">No connection. This is as it was ${when}. ` +
        `<a href="${routes.walk()}">Begin or go on with a walk</a></p><main id="main"`,
    );
}

/** The pages that are kept here, by the names that they give themselves. */
export async function seenHere(): Promise<{ path: string; label: string }[]> {
  if (!('caches' in globalThis)) return [];
  const kept = await caches.open(SEEN);
  const pages = await kept.keys();
  return Promise.all(
    pages.map(async (page) => {
      const text = (await (await kept.match(page))?.text()) ?? '';
      const title = /<title>([^<]*)<\/title>/.exec(text)?.[1] ?? '';
      const job = /aria-label="([^"]*), choose another job"/.exec(text)?.[1] ?? '';
      return {
        path: new URL(page.url).pathname,
        label: `${title.replace(/ · Aftermist$/, '')}${job ? `, ${job}` : ''}`,
      };
    }),
  );
}
