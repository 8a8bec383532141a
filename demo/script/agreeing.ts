import { addDays } from '@/core/units/day';
import { queryOne } from '@/server/database/query';
import { demoId } from '../ids';
import type { DemoJob } from '../scenario';
import { JOB_MONEY } from '../prices';
import { agreementCommands, visitCommands } from '../visit';
import type { Teller } from './teller';

/** What the first visit measured, found and compared. */
export function visitFirst(teller: Teller, job: DemoJob): void {
  const { visit } = job;
  if (!visit) return;
  let minute = 0;
  const say = (commands: ReturnType<typeof visitCommands>): void => {
    for (const { type, payload, by } of commands) {
      teller.at(teller.when(-visit.day, 12, minute++ / 4));
      teller.say(type, payload, by);
    }
  };
  say(visitCommands(job, visit));
  prices(teller, job);
  if (visit.agreedBy) say(agreementCommands(job, visit.agreedBy, addDays(teller.start, 200)));
}

/** What its lines cost, and in which parts the client pays. */
function prices(teller: Teller, job: DemoJob): void {
  const money = JOB_MONEY[job.key];
  if (!money) return;
  const id = (...path: string[]): string => demoId(job.key, ...path);
  teller.say('job.set-money', {
    ...{ job: id(), pricesShown: money.pricesShown },
    ...{ lateCost: money.lateCost ?? null, siteCost: money.siteCost },
  });
  teller.say('scope.price', {
    job: id(),
    lines: Object.entries(money.lines).map(([at, pricing]) => {
      const line = id('scope', at);
      const row = queryOne<{ version: number }>(
        teller.installation.db,
        'SELECT version FROM scope_item WHERE id = @line',
        { line },
      );
      return { ...pricing, id: line, version: row?.version ?? 1 };
    }),
  });
  teller.say('payments.set', {
    job: id(),
    steps: money.payments.map(({ due, ...step }, at) => ({
      ...step,
      id: id('payment-step', String(at)),
      due: { ...due, ...(due.area ? { area: id('area', due.area) } : {}) },
    })),
  });
}
