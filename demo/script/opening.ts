import type { Input } from '@/contract/commands';
import { addDays, onToWeekday } from '@/core/units/day';
import { demoId } from '../ids';
import type { DemoJob, DemoRequest, DemoSelection } from '../scenario';
import type { Teller } from './teller';

/** A job as it was opened: its areas, holds, selections, what is asked for and what is to be done. */
export function openJob(teller: Teller, job: DemoJob): void {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  const day = (offset: number): string => addDays(teller.start, offset);
  teller.at(teller.when(Math.min(-3, job.startsIn - 5), 9));
  const facts = {
    id: id(),
    name: job.name,
    address: job.address,
    client: job.client,
    clientEmail: job.clientEmail,
    units: job.units,
    startDay: day(job.startsIn),
    promiseDay: day(job.promisedIn),
    livedIn: job.livedIn,
    ...(job.loudHalf ? { loudHalf: job.loudHalf } : {}),
  };
  teller.say('job.open', facts);
  if (job.state !== 'scoping') teller.say('job.change', { ...facts, version: 1, state: job.state });
  teller.say('areas.add', {
    job: id(),
    levels: job.levels.map((level) => ({
      id: id('level', level.key),
      name: level.name,
      height: level.height,
      note: level.note ?? '',
    })),
    areas: job.areas.map(({ key, level, stood: _, shelters, ...area }) => ({
      id: id('area', key),
      ...area,
      ...(level ? { level: id('level', level) } : {}),
      ...(shelters ? { shelters: shelters.map((shelter) => id('level', shelter)) } : {}),
    })),
  });
  for (const [one, other, opens] of job.beside)
    teller.say('area.beside', { one: id('area', one), other: id('area', other), opens: opens === 'opens' });
  (job.provisions ?? []).forEach(({ from, ...provision }, number) =>
    teller.say('provision.add', {
      ...{ id: id('provision', String(number)), job: id(), ...provision },
      fromDay: day(from),
    }),
  );
  job.holds.forEach(({ area, askedIn, expectedIn, ...hold }, number) =>
    teller.say('hold.add', {
      id: id('hold', String(number)),
      job: id(),
      area: id('area', area),
      ...hold,
      ...(askedIn === undefined ? {} : { askedOn: day(askedIn) }),
      expectedOn: day(expectedIn),
    }),
  );
  for (const item of job.selections) {
    teller.say('selection.add', selectionOf(teller, job, item));
    if (item.alternatives)
      teller.say('selection.alternatives', {
        id: id('selection', item.area, item.category),
        version: 1,
        alternatives: item.alternatives.map(({ lead: [leadLow, leadHigh], ...one }, index) => ({
          id: id('alternative', item.category, String(index)),
          ...one,
          leadLow,
          leadHigh,
        })),
      });
  }
  for (const request of job.requests ?? []) teller.say('request.add', requestOf(teller, job, request));
  job.scope.forEach(({ area, ...item }, number) =>
    teller.say('scope.add', { id: id('scope', String(number)), job: id(), area: id('area', area), ...item }),
  );
}

function selectionOf(teller: Teller, job: DemoJob, item: DemoSelection): Input<'selection.add'> {
  const {
    area,
    slipped,
    expectedIn,
    lead: [leadLow, leadHigh],
    alternatives: _,
    again: __,
    keptAt: ___,
    ...facts
  } = item;
  return {
    id: demoId(job.key, 'selection', area, item.category),
    job: demoId(job.key),
    area: demoId(job.key, 'area', area),
    ...facts,
    leadLow,
    leadHigh,
    ...(expectedIn === undefined
      ? {}
      : {
          expectedOn: slipped
            ? addDays(teller.start, expectedIn - slipped.days)
            : onToWeekday(addDays(teller.start, expectedIn)),
        }),
  };
}

function requestOf(
  teller: Teller,
  job: DemoJob,
  { key, takes: [takesLow, takesHigh], after, waits, sentIn: _, sent: __, expectedIn: ___, ...request }: DemoRequest,
): Input<'request.add'> {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  return {
    id: id('request', key),
    job: id(),
    ...request,
    takesLow,
    takesHigh,
    ...(after ? { after: id('request', after) } : {}),
    waits: waits.map((wait) =>
      'selection' in wait
        ? { selection: id('selection', wait.area, wait.selection) }
        : { area: id('area', wait.area), phase: wait.phase },
    ),
  };
}
