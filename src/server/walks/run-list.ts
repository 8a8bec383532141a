import type { RunView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { recordWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import { firmTime } from '../zone';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { readPlan } from '../schedule/read-plan';
import { whenSeen } from '../words';
import { observationsOfKind } from './queries';

/** Bought things stay in sight for so many days, so that a tick can be taken back. */
const STAY = 1;

/**
 * What ran out or is needed, over all sites, by supplier and by the day on which work in that room goes on: one run
 * instead of several.
 */
export function runView(installation: Installation): RunView {
  const { db } = installation;
  const time = firmTime(installation);
  const { today: now, zone } = time;
  const plan = readPlan(db);
  const bought = new Map(
    queryAll<{ observation: string; at: string }>(db, 'SELECT observation, at FROM purchased').map((row) => [
      row.observation,
      row.at,
    ]),
  );
  const areas = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area').map((area) => [area.id, area.name]),
  );
  const jobs = queryAll<{ id: string; name: string }>(
    db,
    `SELECT id, name
      FROM job
      WHERE state IN ('scoping', 'booked', 'active', 'completing')
      ORDER BY position`,
  );
  const lines = jobs.flatMap((job) =>
    observationsOfKind(db, job.id, 'short').flatMap((seen) => {
      const at = bought.get(seen.id);
      if (at !== undefined && dayIn(zone, at) < addDays(now, -STAY)) return [];
      // The next piece of work in that room needs it; nobody drives for what is not needed for weeks, nor twice.
      const next = (plan?.tasks ?? [])
        .filter((task) => task.area === seen.area && task.crew !== null && task.state !== 'done')
        .sort((a, b) => a.start - b.start)[0];
      const day: Day = plan && next ? dayOfSlot(plan.origin, next.start) : now;
      return [
        {
          supplier: seen.supplier ?? 'any shop',
          line: {
            id: seen.id,
            text: recordWords(seen),
            job: job.id,
            jobName: job.name,
            area: areas.get(seen.area) ?? '',
            day: day < now ? now : day,
            since: whenSeen(seen.at, time),
            bought: at !== undefined,
          },
        },
      ];
    }),
  );
  return {
    today: now,
    stops: [...groupBy(lines, (entry) => entry.supplier)]
      .map(([supplier, list]) => {
        const sorted = list
          .map((entry) => entry.line)
          .sort((a, b) => Number(a.bought) - Number(b.bought) || a.day.localeCompare(b.day));
        const day = sorted.find((line) => !line.bought)?.day ?? now;
        return { supplier, day, late: day <= now && sorted.some((line) => !line.bought), lines: sorted };
      })
      .sort((a, b) => a.day.localeCompare(b.day)),
  };
}
