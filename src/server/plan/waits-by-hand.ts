import type { NotBefore } from '@/core/schedule/network';
import { gateId, logisticId, taskId } from '@/core/sequence/site';
import { addDays, formatDay } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { workdaysAfter } from '@/core/units/workday';
import { holidaysOf, officesOf } from '../reading/firm';
import { stepRows } from '../reading/job';
import type { JobReading } from '../reading/reading';
import { gateRows, holdRows, inspectionRows, logisticRows, pinRows } from '../reading/sequence';
import { siteOf } from '../reading/site';

/** What work waits for because somebody said so: pins, booked visits, others' days, things on their way, holds. */
export const waitsByHand = (job: JobReading): NotBefore[] => [
  ...pinsOf(job),
  ...bookingsOf(job),
  ...othersOf(job),
  ...logisticWaits(job),
  ...gateWaits(job),
];

const pinsOf = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  return pinRows(job)
    .filter((pin) => pin.day >= today)
    .map((pin) => ({
      task: pin.task,
      slot: slotOf(today, pin.day, pin.half),
      because: pin.reason,
      open: false,
      kind: 'pin' as const,
    }));
};

/** A booked visit is fixed to its day; one that is not booked yet cannot be before the office's notice is over. */
function bookingsOf(job: JobReading): NotBefore[] {
  const { today } = job.firm;
  const booked = new Map(
    inspectionRows(job).flatMap((row) => (row.state === 'booked' ? [[taskId(row.area, row.phase), row] as const] : [])),
  );
  const offices = new Map(officesOf(job.firm).map((office) => [office.id, office]));
  return siteOf(job).areas.flatMap((area) =>
    area.track.flatMap((step): NotBefore[] => {
      const office = offices.get(step.office ?? '');
      if (!office || step.fraction >= 1) return [];
      const task = taskId(area.id, step.phase);
      const row = booked.get(task);
      if (row && row.day >= today)
        return [
          {
            task,
            slot: slotOf(today, row.day, row.half),
            because: `${office.name} comes on ${formatDay(row.day, today)}, booked ${formatDay(row.asked_on, today)}`,
            open: false,
            kind: 'pin',
          },
        ];
      if (office.notice_days === 0) return [];
      return [
        {
          task,
          slot: slotOf(today, workdaysAfter(today, office.notice_days, holidaysOf(job.firm))),
          because:
            `${office.name} wants ${office.notice_days} working ${office.notice_days === 1 ? 'day' : 'days'} of ` +
            'notice, and ' +
            (row ? `nobody has said how the visit on ${formatDay(row.day, today)} went` : 'it is not booked yet'),
          open: row !== undefined,
        },
      ];
    }),
  );
}

/** Work by others is waited for: not before the day they named, and hoped for where they named none. */
const othersOf = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  return stepRows(job).flatMap((row) => {
    if (row.others === null) return [];
    const expected = row.others_on && row.others_on >= today ? row.others_on : addDays(today, row.others_on ? 1 : 0);
    const when = row.others_on
      ? `${row.others_on < today ? 'had said' : 'said'} ${formatDay(row.others_on, today)}`
      : 'named no day yet';
    return [
      {
        task: taskId(row.area, row.phase),
        slot: slotOf(today, expected),
        because: `${row.others} does it and ${when}`,
        open: true,
      },
    ];
  });
};

/** A milestone that was given a day is not reached before it. */
const gateWaits = (job: JobReading): NotBefore[] =>
  gateRows(job).flatMap((gate) =>
    gate.not_before === null
      ? []
      : [
          {
            task: gateId(gate.id),
            slot: slotOf(job.firm.today, gate.not_before),
            because: `${gate.label} was set for ${formatDay(gate.not_before, job.firm.today)}`,
            open: false,
          },
        ],
  );

const logisticWaits = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  return logisticRows(job).flatMap((row): NotBefore[] => {
    if (row.state === 'here') return [];
    if (row.booked_on)
      return [
        {
          task: logisticId(row.id),
          slot: slotOf(today, row.booked_on < today ? today : row.booked_on),
          because: `${row.label} is booked for ${formatDay(row.booked_on, today)}`,
          open: false,
        },
      ];
    return [
      {
        task: logisticId(row.id),
        slot: slotOf(today, addDays(today, row.lead_days)),
        because: `${row.label} takes ${row.lead_days} ${row.lead_days === 1 ? 'day' : 'days'} and is not asked for yet`,
        open: true,
      },
    ];
  });
};

/** What is waited for without being ordered or booked: an answer, an outlook. */
export const holdWaits = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  return [...holdRows(job)]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((hold) => {
      // What was expected for a day that has passed is not here yet: tomorrow is the earliest.
      const overdue = hold.expected_on < today;
      const expected = overdue ? addDays(today, 1) : hold.expected_on;
      const asked = hold.asked_on ? `, asked ${formatDay(hold.asked_on, today)}` : '';
      const when = overdue
        ? `was expected ${formatDay(hold.expected_on, today)}`
        : `expected ${formatDay(expected, today)}`;
      return {
        task: taskId(hold.area, hold.phase),
        slot: slotOf(today, expected),
        because: `${hold.text} (${when}${asked})`,
        open: true,
      };
    });
};
