import { addDays, formatDay } from '@/core/units/day';
import { insert, queryOne, execute, update } from '../database/query';
import { handlers, openJobs, requireRow, requireVersion } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { today } from '../zone';

/** Days that a weather service speaks of. */
const OUTLOOK_AHEAD = 16;

export const resourceHandlers = handlers({
  'plant.set': (context, { id, version, name, units, phases }) => {
    const row = { name, units, phases: JSON.stringify([...new Set(phases)]) };
    if (version === 0) insert(context.db, 'plant', { id, ...row });
    else {
      requireVersion(context, 'plant', id, version);
      update(context.db, 'plant', id, row);
    }
    context.replanAll(openJobs(context), { kind: 'plant', plant: id, name, what: 'set' });
  },
  'plant.break': (context, { id, plant, firstDay, lastDay, units, reason }) => {
    const row = requireRow(context, 'plant', plant, 'plant');
    if (units > row.units)
      throw unprocessable(
        'more-than-there-are',
        `There ${row.units === 1 ? 'is 1' : `are ${row.units}`}; no more can be missing.`,
        'units',
      );
    insert(context.db, 'plant_down', { id, plant, first_day: firstDay, last_day: lastDay, units, reason });
    context.replanAll(openJobs(context), { kind: 'broken', plant, name: row.name, why: reason });
  },
  'plant.mend': (context, { id }) => {
    const down = queryOne<{ plant: string }>(context.db, 'SELECT plant FROM plant_down WHERE id = @id', { id });
    if (!down) throw notFound('breakdown', 'id');
    execute(context.db, 'DELETE FROM plant_down WHERE id = @id', { id });
    context.replanAll(openJobs(context), {
      kind: 'plant',
      plant: down.plant,
      name: requireRow(context, 'plant', down.plant).name,
      what: 'mended',
    });
  },
  'outlook.say': (context, { halves }) => {
    const on = today(context.installation);
    halves.forEach(({ day }, index) => {
      if (day < on || day > addDays(on, OUTLOOK_AHEAD))
        throw unprocessable(
          'no-outlook',
          `${formatDay(day, on)} is no day of an outlook: say one from today to ${formatDay(addDays(on, OUTLOOK_AHEAD), on)}.`,
          `halves[${index}].day`,
        );
    });
    for (const one_ of halves) {
      execute(
        context.db,
        `INSERT INTO outlook (day, half, rain, wind, low, said_at)
          VALUES (@day, @half, @rain, @wind, @low, @now)
          ON CONFLICT (day, half) DO UPDATE SET rain = excluded.rain, wind = excluded.wind, low = excluded.low,
            said_at = excluded.said_at`,
        { ...one_, now: context.now },
      );
    }
    context.replanAll(openJobs(context), { kind: 'outlook' });
  },
  'normals.set': (context, { months }) => {
    for (const month of months)
      execute(
        context.db,
        `INSERT INTO normal (month, wet, windy, frosty)
          VALUES (@month, @wet, @windy, @frosty)
          ON CONFLICT (month) DO UPDATE SET wet = excluded.wet, windy = excluded.windy, frosty = excluded.frosty`,
        { ...month },
      );
  },
  'sub.busy': (context, { sub, name, events, halves }) => {
    const row = requireRow(context, 'sub', sub, 'sub');
    execute(context.db, 'DELETE FROM busy WHERE sub = @sub', { sub });
    execute(context.db, 'DELETE FROM busy_source WHERE sub = @sub', { sub });
    for (const one_ of halves)
      execute(context.db, 'INSERT OR IGNORE INTO busy (sub, day, half, words) VALUES (@sub, @day, @half, @words)', {
        sub,
        ...one_,
      });
    if (halves.length > 0)
      insert(context.db, 'busy_source', { sub, name: name || 'calendar', events, read_at: context.now });
    context.replanAll(openJobs(context), {
      kind: 'sub',
      sub,
      name: row.name,
      what: halves.length > 0 ? 'calendar-read' : 'calendar-out',
    });
  },
});
