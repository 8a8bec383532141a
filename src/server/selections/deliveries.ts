import type { InferType } from 'yup';
import { addDelivery } from '@/contract/commands/selections';
import { isHere } from '@/core/selections/states';
import { formatDay } from '@/core/units/day';
import { queryAll, insert, orNull, execute, update } from '../database/query';
import { handlers, requireRow, requireAreaOf, requireVersion, type CommandContext } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { requireDayInJob, requirePastDay } from './days';
import { addHistory } from './history';
import type { Rows } from '../database/rows';

type Fields = Omit<InferType<typeof addDelivery.schema>, 'id' | 'job'>;

function values(context: CommandContext, job: string, fields: Fields) {
  requireDayInJob(context, job, fields.day, 'day');
  if (fields.place) requireAreaOf(context, job, fields.place, 'place');
  return {
    day: fields.day,
    half: orNull(fields.half),
    place: orNull(fields.place),
    place_note: fields.placeNote,
    protection: fields.protection,
    floor_area: orNull(fields.floorArea),
    heaviest: orNull(fields.heaviest),
    people: orNull(fields.people),
    carry: fields.carry,
  };
}

/** What comes with it: things of this job that are not here yet and come with no other. */
function load(context: CommandContext, delivery: string, job: string, selections: readonly string[]): void {
  execute(context.db, 'UPDATE selection SET delivery = NULL, version = version + 1 WHERE delivery = @delivery', {
    delivery,
  });
  for (const [at, id] of selections.entries()) {
    const row = requireRow(context, 'selection', id, `selections.${at}`);
    if (row.job !== job) throw notFound('selection in this job', `selections.${at}`);
    if (isHere(row.state))
      throw unprocessable('here-already', `${row.category} are on site already.`, `selections.${at}`);
    if (row.delivery)
      throw unprocessable(
        'comes-otherwise',
        `${row.category} come with another delivery; take them out of that one first.`,
        `selections.${at}`,
      );
    update(context.db, 'selection', id, { delivery });
  }
}

type DeliveryRow = Pick<Rows['delivery'], 'version' | 'job' | 'day' | 'place' | 'place_note' | 'state'>;

function needPlanned(context: CommandContext, id: string, version: number): DeliveryRow {
  const row = requireVersion(context, 'delivery', id, version);
  if (row.state !== 'planned')
    throw unprocessable('settled-already', row.state === 'came' ? 'This came already.' : 'This was dropped.', 'id');
  return row;
}

export const deliveryHandlers = handlers({
  'delivery.add': (context, { id, job, ...fields }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'delivery', { id, job, state: 'planned', ...values(context, job, fields) });
    load(context, id, job, fields.selections);
    context.logFor(job);
  },
  'delivery.change': (context, { id, version, ...fields }) => {
    const { job } = needPlanned(context, id, version);
    update(context.db, 'delivery', id, values(context, job, fields));
    load(context, id, job, fields.selections);
    context.logFor(job);
  },
  'delivery.came': (context, { id, version, day }) => {
    const row = needPlanned(context, id, version);
    requirePastDay(context, day, 'day');
    requireDayInJob(context, row.job, day, 'day');
    update(context.db, 'delivery', id, { state: 'came', came_on: day });
    const place = row.place ? requireRow(context, 'area', row.place).name : '';
    const kept = [place, row.place_note].filter(Boolean).join(', ');
    const load = queryAll<Rows['selection']>(context.db, 'SELECT * FROM selection WHERE delivery = @id', { id });
    for (const item of load) {
      if (isHere(item.state)) continue;
      update(context.db, 'selection', item.id, { state: 'on site', came_on: day, kept_at: kept });
      addHistory(
        context,
        { job: row.job, selection: item.id },
        `came on ${formatDay(day)}${kept ? `, kept in ${kept}` : ''}`,
      );
    }
    context.replan(row.job, {
      kind: 'delivery-came',
      selections: load.map((item) => item.id),
      things: load.map((item) => item.category),
      day,
    });
  },
  'delivery.drop': (context, { id, version }) => {
    const row = needPlanned(context, id, version);
    update(context.db, 'delivery', id, { state: 'dropped' });
    execute(context.db, 'UPDATE selection SET delivery = NULL, version = version + 1 WHERE delivery = @id', { id });
    context.logFor(row.job);
  },
  'spare.add': (context, { id, job, selection, kind, what, quantity, unit, place, keptAt }) => {
    requireRow(context, 'job', job, 'job');
    if (place) requireAreaOf(context, job, place, 'place');
    const row = selection ? requireRow(context, 'selection', selection, 'selection') : undefined;
    if (row && row.job !== job) throw notFound('selection in this job', 'selection');
    insert(context.db, 'spare', {
      id,
      job,
      selection: orNull(selection),
      kind,
      what,
      quantity: orNull(quantity),
      unit,
      place: orNull(place),
      kept_at: keptAt,
      state: 'kept',
    });
    if (row) {
      // What is fitted and has something left is at the end of its way.
      if (row.state === 'fitted') update(context.db, 'selection', row.id, { state: 'left over', kept_at: keptAt });
      addHistory(context, { job, selection: row.id }, `${kind}: ${what}, kept ${keptAt}`);
    }
    context.logFor(job);
  },
  'spare.settle': (context, { id, version, state }) => {
    const row = requireVersion(context, 'spare', id, version);
    update(context.db, 'spare', id, { state });
    if (row.selection)
      addHistory(
        context,
        { job: row.job, selection: row.selection },
        `${row.what}: ${state === 'gone' ? 'gone back or used up' : 'kept again'}`,
      );
    context.logFor(row.job);
  },
});
