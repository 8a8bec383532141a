import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { firmTime } from '@/server/zone';
import { lindenGatehouse } from './jobs/linden-gatehouse';
import { oldDairy } from './jobs/old-dairy';
import { signalHouse } from './jobs/signal-house';
import { tanneryRow } from './jobs/tannery-row';
import type { DemoJob } from './scenario';
import { papersOf } from './papers';
import { waysInOf } from './way-in';
import { purchasesOf, spendingOf } from './spending';
import { foundFirm, letLead } from './script/founding';
import { openJob } from './script/opening';
import { arrangeGoods, slipGoods } from './script/goods';
import { walkJob, recordWalls } from './script/walking';
import { endJob } from './script/ending';
import { visitFirst } from './script/agreeing';
import { tellAll, sayOutlook, promiseVisits, sendPost, writeOwnWords } from './script/telling';
import { Teller } from './script/teller';

export { demoId } from './ids';

export const DEMO_JOBS: readonly DemoJob[] = [signalHouse, tanneryRow, lindenGatehouse, oldDairy];

/** Builds the demo firm through the one door, as if its people had done it on the days when it happened. */
export async function seedDemo(installation: Installation): Promise<void> {
  const real = installation.clock;
  // A demo cut short is made again, so it need not wait for the disk at each of its commands.
  installation.db.pragma('synchronous = OFF');
  const { zone, today: start } = firmTime(installation);
  const teller = new Teller(installation, start, zone, real.now());
  try {
    foundFirm(teller);
    for (const job of DEMO_JOBS) openJob(teller, job);
    letLead(teller);
    const walks = DEMO_JOBS.flatMap((job) => job.walks.map((walk, number) => ({ job, walk, number }))).sort(
      (a, b) => a.walk.day - b.walk.day || a.walk.hour - b.walk.hour,
    );
    for (const { job, walk, number } of walks) await walkJob(teller, job, walk, number);
    for (const job of DEMO_JOBS) visitFirst(teller, job);
    for (const happenings of [spendingOf, purchasesOf, waysInOf])
      for (const job of DEMO_JOBS) tellAll(teller, happenings(job, start));
    for (const job of DEMO_JOBS) tellAll(teller, await papersOf(installation, job));
    for (const job of DEMO_JOBS) recordWalls(teller, job);
    for (const job of DEMO_JOBS) endJob(teller, job);
    for (const job of DEMO_JOBS) arrangeGoods(teller, job);
    await sendPost(teller);
    promiseVisits(teller);
    writeOwnWords(teller);
    slipGoods(teller, DEMO_JOBS);
    sayOutlook(teller);
  } finally {
    installation.clock = real;
    installation.db.pragma('synchronous = FULL');
  }
  renewOnce(installation);
}
