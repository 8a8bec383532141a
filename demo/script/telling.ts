import type { Trade } from '@/core/sequence/trades';
import { groupBy } from '@/core/group-by';
import { addDays, longDay } from '@/core/units/day';
import { dayOfSlot, isAfternoon } from '@/core/units/slot';
import { queryOne } from '@/server/database/query';
import { renewOnce } from '@/server/plan/renew';
import { searchOnce } from '@/server/plan/search';
import { readPlan } from '@/server/reading/plan';
import { isVisit } from '@/core/schedule/visit';
import { taskId } from '@/core/sequence/site';
import { emptyOutbox } from '@/server/news/outbox';
import { OUTLOOK, SUBS } from '../firm';
import { demoId } from '../ids';
import type { Happened } from '../happened';
import type { Teller } from './teller';

/** Subs who have not called back yet. */
const SAY_LATER: readonly Trade[] = ['paint', 'plumbing', 'roofing', 'carpentry'];

/** What happened at a job besides, each at its hour. */
export function tellAll(teller: Teller, happened: readonly Happened[]): void {
  for (const { day, hour, minute, said } of happened) {
    teller.at(teller.when(day, hour, minute));
    teller.say(said.type, said.payload, said.by);
  }
}

/** What the weather desk said this morning. */
export function sayOutlook(teller: Teller): void {
  teller.at(teller.when(0, 6));
  teller.say('outlook.say', {
    halves: OUTLOOK.map(([rain, wind, low], index) => ({
      day: addDays(teller.start, Math.floor(index / 2)),
      half: index % 2,
      rain,
      wind,
      low,
    })),
  });
}

/** Yesterday after work Maren had a better plan looked for, took it, and called everybody who comes; most said yes at once. */
export function promiseVisits(teller: Teller): void {
  teller.at(teller.when(-1, 17));
  renewOnce(teller.installation);
  teller.say('plan.search', { schedules: 60, seed: 1 });
  searchOnce(teller.installation);
  const { better_than: found } =
    queryOne<{ better_than: number | null }>(teller.installation.db, 'SELECT better_than FROM plan_search') ?? {};
  if (found) teller.say('plan.take', { version: found });
  const plan = readPlan(teller.installation.db);
  if (!plan) return;
  const subs = new Map(SUBS.map((sub) => [demoId('sub', sub.trade), sub]));
  const calls = plan.tasks
    .filter((task) => {
      const day = dayOfSlot(plan.origin, task.start);
      return isVisit(task) && day >= teller.start && day <= addDays(teller.start, 10);
    })
    .map((task) => ({
      crew: task.crew ?? '',
      visit: {
        task: task.id,
        day: dayOfSlot(plan.origin, task.start),
        half: isAfternoon(task.start) ? 1 : 0,
      },
    }));
  teller.say('visit.tell', { visits: calls.map(({ visit }) => visit) });
  for (const [crew, theirs] of groupBy(calls, (call) => call.crew)) {
    const sub = subs.get(crew);
    if (!sub || SAY_LATER.includes(sub.trade)) continue;
    teller.say('visit.answer', { visits: theirs.map(({ visit }) => visit), answer: 'yes', by: sub.lead });
  }
}

/** What was sent goes out; what fails at the first try goes out at the second. */
export async function sendPost(teller: Teller): Promise<void> {
  for (const minute of [0, 5]) {
    teller.at(teller.when(-1, 16, minute));
    await emptyOutbox(teller.installation);
  }
}

/** A word of one's own among what is to be told: with the day of something that slips the same evening. */
export function writeOwnWords(teller: Teller): void {
  teller.at(teller.when(-1, 18));
  const task = taskId(demoId('tannery', 'area', 'kitchen'), 'cabinets');
  const plan = readPlan(teller.installation.db);
  const day = plan?.tasks.find(({ id }) => id === task)?.start;
  if (!plan || day === undefined) return;
  teller.say('draft.write', {
    ...{ job: demoId('tannery'), audience: 'client', line: 'own:1' },
    words: `I am there on ${longDay(dayOfSlot(plan.origin, day))}, when the cabinets go in. Come by at ten if you like.`,
  });
}
