import type { NotBefore } from '@/core/schedule/network';
import { gateId, logisticId, taskId } from '@/core/sequence/site';
import { addDays } from '@/core/units/day';
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
      wait: { kind: 'pin' as const, why: pin.reason },
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
            wait: { kind: 'visit', office: office.name, day: row.day, booked: row.asked_on },
            open: false,
            kind: 'pin',
          },
        ];
      if (office.notice_days === 0) return [];
      return [
        {
          task,
          slot: slotOf(today, workdaysAfter(today, office.notice_days, holidaysOf(job.firm))),
          wait: {
            kind: 'notice',
            office: office.name,
            workdays: office.notice_days,
            unsaid: row?.day ?? null,
          },
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
    return [
      {
        task: taskId(row.area, row.phase),
        slot: slotOf(today, expected),
        wait: {
          kind: 'others' as const,
          who: row.others,
          day: row.others_on,
          overdue: row.others_on !== null && row.others_on < today,
        },
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
            wait: { kind: 'gate', what: gate.label, day: gate.not_before },
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
          wait: { kind: 'booked', what: row.label, day: row.booked_on },
          open: false,
        },
      ];
    return [
      {
        task: logisticId(row.id),
        slot: slotOf(today, addDays(today, row.lead_days)),
        wait: { kind: 'not-asked', what: row.label, days: row.lead_days },
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
      return {
        task: taskId(hold.area, hold.phase),
        slot: slotOf(today, expected),
        wait: {
          kind: 'hold' as const,
          text: hold.text,
          expected: overdue ? hold.expected_on : expected,
          overdue,
          asked: hold.asked_on,
        },
        open: true,
      };
    });
};
