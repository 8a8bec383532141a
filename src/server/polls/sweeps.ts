import type { Installation } from '../installation';
import { inThread } from '../threads/in-thread';

/** Once a day is enough: it is about what lies around for days. */
const EVERY_MS = 86_400_000;
/** The first pages after a start go before it. */
const AFTER_START_MS = 60_000;

/** Takes away, at the start and once a day, what lies beside the records and belongs to none of them. */
export function startSweeps(installation: Installation): void {
  // The pictures of a made-up firm are shared by all who try it.
  if (installation.demo) return;
  const sweep = (): void =>
    void inThread(installation, { name: 'sweep files' }).catch((error: unknown) =>
      console.error('Files that belong to nothing were not taken away; it is tried again:', error),
    );
  setTimeout(sweep, AFTER_START_MS).unref();
  setInterval(sweep, EVERY_MS).unref();
}
