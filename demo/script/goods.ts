import type { SelectionState } from '@/core/selections/states';
import { addDays, onToWeekday } from '@/core/units/day';
import { queryOne } from '@/server/database/query';
import { demoId } from '../ids';
import type { DemoJob } from '../scenario';
import type { Teller } from './teller';

/** What was sent out and asked for, how things come, what is kept. */
export function arrangeGoods(teller: Teller, job: DemoJob): void {
  sendRequests(teller, job);
  orderAgain(teller, job);
  teller.at(teller.when(-1, 17));
  keepThings(teller, job);
  deliveries(teller, job);
  arrangements(teller, job);
}

function sendRequests(teller: Teller, job: DemoJob): void {
  for (const { key, sentIn, sent = '', expectedIn } of job.requests ?? []) {
    if (sentIn === undefined) continue;
    teller.at(teller.when(sentIn, 10));
    teller.say('request.send', {
      id: demoId(job.key, 'request', key),
      version: 1,
      sentOn: addDays(teller.start, sentIn),
      sent,
      ...(expectedIn === undefined ? {} : { expectedOn: addDays(teller.start, expectedIn) }),
    });
  }
}

/** What a walk found wrong is ordered once more. */
function orderAgain(teller: Teller, job: DemoJob): void {
  for (const { area, category, quantity, unit, again } of job.selections) {
    if (!again || quantity === undefined || unit === undefined) continue;
    const row = queryOne<{ id: string; version: number }>(
      teller.installation.db,
      'SELECT id, version FROM selection WHERE follows = @id AND removed = 0',
      { id: demoId(job.key, 'selection', area, category) },
    );
    if (!row) throw new Error(`${category} was not found wrong on any walk.`);
    teller.at(teller.when(again.orderedIn, 9));
    teller.say('selection.order', {
      ...row,
      day: addDays(teller.start, again.orderedIn),
      quantity,
      unit,
      expectedOn: addDays(teller.start, again.expectedIn),
    });
  }
}

function keepThings(teller: Teller, job: DemoJob): void {
  for (const { area, category, keptAt } of job.selections) {
    if (!keptAt) continue;
    const id = demoId(job.key, 'selection', area, category);
    const kept = queryOne<{ version: number; state: SelectionState }>(
      teller.installation.db,
      'SELECT version, state FROM selection WHERE id = @id',
      { id },
    );
    if (!kept) continue;
    const day = addDays(teller.start, -2);
    teller.say('selection.step', { id, version: kept.version, to: kept.state, day, place: keptAt });
  }
}

function deliveries(teller: Teller, job: DemoJob): void {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  (job.deliveries ?? []).forEach(({ inDays, place, selections, ...delivery }, number) =>
    teller.say('delivery.add', {
      id: id('delivery', String(number)),
      job: id(),
      day: onToWeekday(addDays(teller.start, inDays)),
      ...(place ? { place: id('area', place) } : {}),
      ...delivery,
      selections: selections.map((selection) => id('selection', selection.area, selection.selection)),
    }),
  );
}

/** Others' work, what has to be there, visits booked and what is kept spare. */
function arrangements(teller: Teller, job: DemoJob): void {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  for (const { area, phase, who, expectedIn } of job.others ?? []) {
    const steps = [{ area: id('area', area), phase }];
    teller.say('step.others', { steps, who, expectedOn: addDays(teller.start, expectedIn) });
  }
  for (const [number, { area, bookedIn, ...logistic }] of (job.logistics ?? []).entries()) {
    const key = id('logistic', String(number));
    teller.say('logistic.add', { id: key, job: id(), area: id('area', area), ...logistic });
    if (bookedIn !== undefined)
      teller.say('logistic.settle', {
        id: key,
        version: 1,
        state: 'booked',
        bookedOn: onToWeekday(addDays(teller.start, bookedIn)),
      });
  }
  for (const { area, phase } of job.visits ?? [])
    teller.say('inspection.book', { id: id('inspection', area, phase), area: id('area', area), phase });
  (job.spares ?? []).forEach(({ area, ...spare }, number) =>
    teller.say('spare.add', {
      id: id('spare', String(number)),
      job: id(),
      ...spare,
      ...(area ? { place: id('area', area) } : {}),
    }),
  );
}

/** Last evening the cabinets of Tannery Row slipped. */
export function slipGoods(teller: Teller, jobs: readonly DemoJob[]): void {
  teller.at(teller.when(-1, 19));
  for (const job of jobs) {
    for (const { area, category, slipped, expectedIn } of job.selections) {
      if (slipped)
        teller.say('supplier.say', {
          selection: demoId(job.key, 'selection', area, category),
          says: 'slips',
          day: addDays(teller.start, expectedIn ?? 0),
          text: slipped.why,
        });
    }
  }
}
