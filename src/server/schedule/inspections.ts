import type { Cause } from '@/core/schedule/cause';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import { formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { queryAll, insert, queryOne, orNull, update } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, openJobs, requireRow, requireStep, requireVersion, type CommandContext } from '../door/handler';
import { Refusal, conflict, unprocessable } from '../refusal';
import { workdaysAfter } from '@/core/units/workday';
import { holidaysOf, officesOf } from '../reading/firm';
import type { Rows } from '../database/rows';
import { readHouse } from '../reading/reading';
import { addExtraWork } from './extra-work';

const officeFor = (context: CommandContext, phase: Phase) =>
  officesOf(readHouse(context.installation)).find((office) => office.phases.includes(phase));

function book(
  context: CommandContext,
  id: string,
  area: { id: string; job: string },
  phase: Phase,
  wishedOn?: Day,
): { day: Day; half: 0 | 1; office: string } {
  const office = officeFor(context, phase);
  if (!office)
    throw unprocessable(
      'no-office',
      `No office is known that inspects ${phaseFacts(phase).label}; add it first.`,
      'phase',
    );
  const open = queryOne<{ day: Day }>(
    context.db,
    `SELECT day FROM inspection WHERE area = @area AND phase = @phase AND state = 'booked'`,
    { area: area.id, phase },
  );
  if (open)
    throw new Refusal(409, {
      code: 'booked-already',
      message: `It is booked for ${formatDay(open.day)} already; cancel that first.`,
      field: 'phase',
    });
  const on = today(context.installation);
  const taken = (day: Day): number =>
    queryOne<{ count: number }>(
      context.db,
      `SELECT count(*) AS count
        FROM inspection
        WHERE office = @office AND day = @day AND state = 'booked'`,
      { office: office.id, day },
    )?.count ?? 0;
  const offer = context.installation.outside.offices.offer(
    { weekdays: office.weekdays, noticeDays: office.notice_days, visitsADay: office.visits_a_day },
    { on, ...(wishedOn ? { wished: wishedOn } : {}) },
    taken,
    holidaysOf(readHouse(context.installation)),
  );
  if (!offer)
    throw unprocessable(
      'office-full',
      wishedOn === undefined
        ? `Say which day ${office.name} gave you.`
        : `${office.name} has no visit free within half a year.`,
      'wishedOn',
    );
  insert(context.db, 'inspection', {
    id,
    job: area.job,
    area: area.id,
    phase,
    office: office.id,
    asked_on: on,
    day: offer.day,
    half: offer.half,
    state: 'booked',
  });
  return { ...offer, office: office.name };
}

function settle(
  context: CommandContext,
  id: string,
  version: number,
  state: 'passed' | 'failed' | 'cancelled',
  words: string,
): Rows['inspection'] {
  const row = requireVersion(context, 'inspection', id, version);
  if (row.state !== 'booked') throw conflict('inspection', row);
  update(context.db, 'inspection', id, { state, words, settled_at: context.now });
  return row;
}

/** The step of the track before an inspection: what failed is put right after it. */
function stepBefore(db: Connection, area: string, phase: Phase): Phase | null {
  const earlier = queryAll<{ phase: Phase }>(db, 'SELECT phase FROM step WHERE area = @area', { area })
    .map((step) => step.phase)
    .filter((entry) => phaseOrder(entry) < phaseOrder(phase));
  return earlier.sort((a, b) => phaseOrder(b) - phaseOrder(a))[0] ?? null;
}

const inspectionCause = (
  context: CommandContext,
  { area, phase, day }: Rows['inspection'],
  what: 'cancelled' | 'passed',
): Cause => ({ kind: 'inspection', area, place: requireRow(context, 'area', area).name, phase, what, day });

export const inspectionHandlers = handlers({
  'office.set': (context, { id, version, name, phone, phases, weekdays, noticeDays, visitsADay }) => {
    const odd = phases.find(
      (phase) => phaseFacts(phase).hold !== 'inspection' && phaseFacts(phase).hold !== 'water-test',
    );
    if (odd)
      throw unprocessable(
        'not-inspected',
        `${phaseFacts(odd).label} is no inspection; choose from those that are.`,
        'phases',
      );
    const row = {
      name,
      phone,
      phases: JSON.stringify(phases),
      weekdays: JSON.stringify([...new Set(weekdays)].sort()),
      notice_days: noticeDays,
      visits_a_day: visitsADay,
    };
    if (version === 0) insert(context.db, 'office', { id, ...row });
    else {
      requireVersion(context, 'office', id, version);
      update(context.db, 'office', id, row);
    }
    context.replanAll(openJobs(context), { kind: 'office', name });
  },
  'inspection.book': (context, { id, area, phase, wishedOn }) => {
    const { job, name } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, phase, 'phase');
    const booked = book(context, id, { id: area, job }, phase, wishedOn);
    context.replan(job, { kind: 'inspection', area, place: name, phase, what: 'booked', day: booked.day });
    return booked;
  },
  'inspection.cancel': (context, { id, version }) => {
    const row = settle(context, id, version, 'cancelled', '');
    context.replan(row.job, inspectionCause(context, row, 'cancelled'));
  },
  'inspection.pass': (context, { id, version, words }) => {
    const row = settle(context, id, version, 'passed', words);
    context.replan(row.job, inspectionCause(context, row, 'passed'));
  },
  'inspection.fail': (context, { id, version, again, fixes }) => {
    const row = settle(context, id, version, 'failed', fixes.map((fix) => fix.text).join('; '));
    const { name } = requireRow(context, 'area', row.area);
    const after = stepBefore(context.db, row.area, row.phase);
    for (const fix of fixes) {
      addExtraWork(context.db, {
        id: fix.id,
        job: row.job,
        area: row.area,
        text: fix.text,
        trade: fix.trade,
        half_days: fix.halfDays,
        after_phase: orNull(after ?? undefined),
        reason: `${phaseFacts(row.phase).label} failed on ${formatDay(row.day)}: ${fix.text}`,
      });
    }
    // The office comes again when what failed can have been put right, a day to spare.
    const on = today(context.installation);
    const working = Math.ceil(fixes.reduce((sum, fix) => sum + fix.halfDays, 0) / 2) + 1;
    const booked = book(
      context,
      again,
      { id: row.area, job: row.job },
      row.phase,
      workdaysAfter(row.day > on ? row.day : on, working, holidaysOf(readHouse(context.installation))),
    );
    context.replan(row.job, {
      kind: 'failed',
      area: row.area,
      place: name,
      phase: row.phase,
      fixes: fixes.map((fix) => fix.text),
    });
    return booked;
  },
});
