import type { InferType } from 'yup';
import {
  addDelivery,
  addSpare,
  changeDelivery,
  dropDelivery,
  keepSalvage,
  receiveDelivery,
  settleSpare,
} from '@/contract/commands/selections';
import { isHere } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import { formatDay } from '@/core/units/day';
import { all, insert, orNull, run, update, type Values } from '../database/query';
import { handler, need, needAreaOf, needVersion, type Handler, type Visit } from '../door/handler';
import { notFound, unfit } from '../door/refusal';
import { needInJob, needPast } from './days';
import type { SelectionRow } from './rows';
import { note } from './trail';

type Fields = Omit<InferType<typeof addDelivery.schema>, 'id' | 'job'>;

function values(visit: Visit, job: string, fields: Fields): Values {
  needInJob(visit, job, fields.day, 'day');
  if (fields.place) needAreaOf(visit, job, fields.place, 'place');
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
function load(visit: Visit, delivery: string, job: string, selections: readonly string[]): void {
  run(visit.db, 'UPDATE selection SET delivery = NULL, version = version + 1 WHERE delivery = @delivery', { delivery });
  for (const [at, id] of selections.entries()) {
    const row = need<SelectionRow>(visit, 'selection', id, `selections.${at}`);
    if (row.job !== job) throw notFound('selection in this job', `selections.${at}`);
    if (isHere(row.state)) throw unfit('here-already', `${row.category} are on site already.`, `selections.${at}`);
    if (row.delivery)
      throw unfit(
        'comes-otherwise',
        `${row.category} come with another delivery; take them out of that one first.`,
        `selections.${at}`,
      );
    update(visit.db, 'selection', id, { delivery });
  }
}

interface DeliveryRow {
  version: number;
  job: string;
  day: Day;
  place: string | null;
  place_note: string;
  state: 'planned' | 'came' | 'dropped';
}

function needPlanned(visit: Visit, id: string, version: number): DeliveryRow {
  const row = needVersion<DeliveryRow>(visit, 'delivery', id, version);
  if (row.state !== 'planned')
    throw unfit('settled-already', row.state === 'came' ? 'This came already.' : 'This was dropped.', 'id');
  return row;
}

export const deliveryHandlers: Handler[] = [
  handler(addDelivery, (visit, { id, job, ...fields }) => {
    need(visit, 'job', job, 'job');
    insert(visit.db, 'delivery', { id, job, state: 'planned', ...values(visit, job, fields) });
    load(visit, id, job, fields.selections);
    visit.touches(job);
  }),
  handler(changeDelivery, (visit, { id, version, ...fields }) => {
    const { job } = needPlanned(visit, id, version);
    update(visit.db, 'delivery', id, values(visit, job, fields));
    load(visit, id, job, fields.selections);
    visit.touches(job);
  }),
  handler(receiveDelivery, (visit, { id, version, day }) => {
    const row = needPlanned(visit, id, version);
    needPast(visit, day, 'day');
    needInJob(visit, row.job, day, 'day');
    update(visit.db, 'delivery', id, { state: 'came', came_on: day });
    const place = row.place ? need<{ name: string }>(visit, 'area', row.place).name : '';
    const kept = [place, row.place_note].filter(Boolean).join(', ');
    for (const item of all<SelectionRow>(visit.db, 'SELECT * FROM selection WHERE delivery = @id', { id })) {
      if (isHere(item.state)) continue;
      update(visit.db, 'selection', item.id, { state: 'on site', came_on: day, kept_at: kept });
      note(visit, { job: row.job, selection: item.id }, `came on ${formatDay(day)}${kept ? `, kept in ${kept}` : ''}`);
    }
    visit.mark(row.job, 'a delivery came');
  }),
  handler(dropDelivery, (visit, { id, version }) => {
    const row = needPlanned(visit, id, version);
    update(visit.db, 'delivery', id, { state: 'dropped' });
    run(visit.db, 'UPDATE selection SET delivery = NULL, version = version + 1 WHERE delivery = @id', { id });
    visit.touches(row.job);
  }),
  handler(addSpare, (visit, { id, job, selection, kind, what, quantity, unit, place, keptAt }) => {
    need(visit, 'job', job, 'job');
    if (place) needAreaOf(visit, job, place, 'place');
    const row = selection ? need<SelectionRow>(visit, 'selection', selection, 'selection') : undefined;
    if (row && row.job !== job) throw notFound('selection in this job', 'selection');
    insert(visit.db, 'spare', {
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
      if (row.state === 'fitted') update(visit.db, 'selection', row.id, { state: 'left over', kept_at: keptAt });
      note(visit, { job, selection: row.id }, `${kind}: ${what}, kept ${keptAt}`);
    }
    visit.touches(job);
  }),
  handler(settleSpare, (visit, { id, version, state }) => {
    const row = needVersion<{ version: number; job: string; what: string; selection: string | null }>(
      visit,
      'spare',
      id,
      version,
    );
    update(visit.db, 'spare', id, { state });
    if (row.selection)
      note(
        visit,
        { job: row.job, selection: row.selection },
        `${row.what}: ${state === 'gone' ? 'gone back or used up' : 'kept again'}`,
      );
    visit.touches(row.job);
  }),
  handler(keepSalvage, (visit, { id, version, kept, place }) => {
    const row = needVersion<{ version: number; job: string; kind: string; place: string }>(
      visit,
      'finding',
      id,
      version,
    );
    if (row.kind !== 'salvage' && row.kind !== 'refit')
      throw unfit('not-salvage', 'Only what is kept for use again, or taken down to be refitted, has a place.', 'id');
    update(visit.db, 'finding', id, { kept, place: place || row.place });
    visit.touches(row.job);
  }),
];
