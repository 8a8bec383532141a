import { keepJobs } from './packs';
import { keepSeen } from './seen';
import { PREPARED } from './whose';

/** The page that was asked for comes first: what is fetched ahead waits until it stands. */
const SETTLED_MS = 1_500;
/** Often enough for a phone that loses its signal, seldom enough that pages do not queue behind it. */
const EVERY_MS = 60_000;

let coming: ReturnType<typeof setTimeout> | undefined;

/** Has the service worker serve Walk where there is no signal, and keeps it and the packs of the jobs current. */
export function prepareOffline(): void {
  if (!('serviceWorker' in navigator) || coming !== undefined) return;
  coming = setTimeout(() => {
    coming = undefined;
    if (isDue()) void prepare().catch(() => undefined);
  }, SETTLED_MS);
}

async function prepare(): Promise<void> {
  // Without this a browser that runs out of room may throw away what was recorded and not sent.
  if ('storage' in navigator) void navigator.storage.persist().catch(() => false);
  await navigator.serviceWorker.register('/service-worker.js');
  const ready = await navigator.serviceWorker.ready;
  ready.active?.postMessage('renew');
  if (await keepJobs()) remember();
  if (isCarried()) await keepSeen();
}

/** Whether it is a phone or a tablet, which leaves the office and its network. */
const isCarried = (): boolean => matchMedia('(pointer: coarse)').matches;

/** Whether it is a while since this device was prepared; one that cannot remember is always due. */
function isDue(): boolean {
  try {
    const since = Date.now() - Number(localStorage.getItem(PREPARED) ?? 0);
    return since < 0 || since >= EVERY_MS;
  } catch {
    return true;
  }
}

function remember(): void {
  try {
    localStorage.setItem(PREPARED, String(Date.now()));
  } catch {
    // It is prepared once more than it need be.
  }
}
