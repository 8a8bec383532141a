import {
  breakPlant,
  mendPlant,
  readBusy,
  sayOutlook,
  setNormals,
  setPlant,
  weighGoals,
} from '@/contract/commands/schedule';
import { all, insert, one, run, update } from '../database/query';
import { handler, need, needVersion, type Handler, type Visit } from '../door/handler';
import { notFound, unfit } from '../door/refusal';

/** What is shared by all jobs: every open plan may change. */
function markAll(visit: Visit, cause: string): void {
  for (const { id } of all<{ id: string }>(visit.db, `SELECT id FROM job WHERE state <> 'closed'`))
    visit.mark(id, cause);
}

export const resourceHandlers: Handler[] = [
  handler(setPlant, (visit, { id, version, name, units, phases }) => {
    const row = { name, units, phases: JSON.stringify([...new Set(phases)]) };
    if (version === 0) insert(visit.db, 'plant', { id, ...row });
    else {
      needVersion(visit, 'plant', id, version);
      update(visit.db, 'plant', id, row);
    }
    markAll(visit, `${name}: ${units} of it`);
  }),
  handler(breakPlant, (visit, { id, plant, firstDay, lastDay, units, reason }) => {
    const row = need<{ name: string; units: number }>(visit, 'plant', plant, 'plant');
    if (units > row.units)
      throw unfit(
        'more-than-there-are',
        `There ${row.units === 1 ? 'is 1' : `are ${row.units}`}; no more can be missing.`,
        'units',
      );
    insert(visit.db, 'plant_down', { id, plant, first_day: firstDay, last_day: lastDay, units, reason });
    markAll(visit, `${row.name}: ${reason}`);
  }),
  handler(mendPlant, (visit, { id }) => {
    const down = one<{ plant: string }>(visit.db, 'SELECT plant FROM plant_down WHERE id = @id', { id });
    if (!down) throw notFound('breakdown', 'id');
    run(visit.db, 'DELETE FROM plant_down WHERE id = @id', { id });
    markAll(visit, `${need<{ name: string }>(visit, 'plant', down.plant).name} works again`);
  }),
  handler(sayOutlook, (visit, { halves }) => {
    for (const one_ of halves) {
      run(
        visit.db,
        `INSERT INTO outlook (day, half, rain, wind, low, said_at)
          VALUES (@day, @half, @rain, @wind, @low, @now)
          ON CONFLICT (day, half) DO UPDATE SET rain = excluded.rain, wind = excluded.wind, low = excluded.low,
            said_at = excluded.said_at`,
        { ...one_, now: visit.now },
      );
    }
    markAll(visit, 'the outlook changed');
  }),
  handler(setNormals, (visit, { months }) => {
    for (const month of months)
      run(
        visit.db,
        `INSERT INTO normal (month, wet, windy, frosty)
          VALUES (@month, @wet, @windy, @frosty)
          ON CONFLICT (month) DO UPDATE SET wet = excluded.wet, windy = excluded.windy, frosty = excluded.frosty`,
        { ...month },
      );
  }),
  handler(readBusy, (visit, { sub, name, events, halves }) => {
    const row = need<{ name: string }>(visit, 'sub', sub, 'sub');
    run(visit.db, 'DELETE FROM busy WHERE sub = @sub', { sub });
    run(visit.db, 'DELETE FROM busy_source WHERE sub = @sub', { sub });
    for (const one_ of halves)
      run(visit.db, 'INSERT OR IGNORE INTO busy (sub, day, half, words) VALUES (@sub, @day, @half, @words)', {
        sub,
        ...one_,
      });
    if (halves.length > 0)
      insert(visit.db, 'busy_source', { sub, name: name || 'calendar', events, read_at: visit.now });
    markAll(
      visit,
      halves.length > 0 ? `${row.name}’s own calendar was read` : `${row.name}’s own calendar was taken out`,
    );
  }),
  handler(weighGoals, (visit, { tripWeight, jobs }) => {
    run(visit.db, 'UPDATE firm SET trip_weight = @tripWeight', { tripWeight });
    for (const { job, weight } of jobs) {
      need(visit, 'job', job, 'jobs');
      run(visit.db, 'UPDATE job SET weight = @weight WHERE id = @job', { job, weight });
    }
    markAll(visit, 'what counts was weighed anew');
  }),
];
