import type { Placed } from '@/core/schedule/plan';
import { isWorkday, workdaysAfter } from '@/core/units/workday';
import { addDays, formatDay, weekday, type Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { sayWork } from '@/core/words/work';
import { uuid } from '../database/id';
import { holidaysOf, officesOf } from '../reading/firm';
import type { FirmReading } from '../reading/reading';
import { inspectionRows } from '../reading/sequence';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** So many other days are asked for, within so many days. */
const DAYS = 3;
const WITHIN = 28;

/** The office is asked for another day: the first on which it comes, once what it looks at is there. */
export function otherOfficeDays(firm: FirmReading, { job, tasks }: Slip, { net, placement }: Placed): Answer[] {
  return tasks.flatMap((task) => {
    const booked = inspectionRows(job).find(
      ({ area, phase, state }) => state === 'booked' && area === task.area && phase === task.phase,
    );
    const office = officesOf(firm).find(({ id }) => id === booked?.office);
    if (!booked || !office || !task.area || !task.phase) return [];
    const into = net.into[net.index.get(task.id) ?? -1] ?? [];
    const ready = into.reduce((slot, { before }) => Math.max(slot, placement.finish[before] ?? 0), 0);
    const holidays = holidaysOf(firm);
    const soonest = workdaysAfter(firm.today, office.notice_days, holidays);
    const from = ready === 0 ? soonest : later(soonest, lastDay(firm.today, ready));
    return Array.from({ length: WITHIN }, (_, at) => addDays(from, at))
      .filter((day) => day !== booked.day && office.weekdays.includes(weekday(day)) && isWorkday(day, holidays))
      .slice(0, DAYS)
      .map((day): Answer => ({
        key: `office ${day}`,
        title: `${office.name} on ${formatDay(day, firm.today)}`,
        named: true,
        how: `${sayWork(task.work)}: ask them first, and take this once they have said yes.`,
        steps: [
          { type: 'inspection.cancel', payload: { id: booked.id, version: booked.version } },
          {
            type: 'inspection.book',
            payload: {
              ...{ id: uuid(), area: task.area, phase: task.phase, wishedOn: day },
              ...{ kinds: JSON.parse(booked.kinds) as string[], also: [] },
            },
          },
        ],
      }));
  });
}

const later = (one: Day, other: Day): Day => (one > other ? one : other);
