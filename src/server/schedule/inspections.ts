import type { Cause } from '@/core/schedule/cause';
import type { InspectionKind } from '@/core/sequence/inspections';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import { formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { execute, queryAll, insert, queryOne, orNull, update } from '../database/query';
import type { Connection } from '../database/open';
import {
  handlers,
  openJobs,
  requireAreaOf,
  requireRow,
  requireStep,
  requireVersion,
  type CommandContext,
} from '../door/handler';
import { Refusal, conflict, unprocessable } from '../refusal';
import { workdaysAfter } from '@/core/units/workday';
import { holidaysOf, officesOf } from '../reading/firm';
import type { Rows } from '../database/rows';
import { readHouse } from '../reading/reading';
import { notifyParty } from '../news/notify';
import { sayHalfDay } from '@/core/words/visit-word';
import { addExtraWork } from './extra-work';

/** Who looks at it: the office that looks at all of these kinds, else the first that looks at any. */
function officeFor(context: CommandContext, phase: Phase, kinds: readonly InspectionKind[]) {
  const offices = officesOf(readHouse(context.installation)).filter((office) => office.phases.includes(phase));
  const looks = (office: (typeof offices)[number], kind: InspectionKind): boolean =>
    office.kinds.length === 0 || office.kinds.includes(kind);
  return (
    offices.find((office) => kinds.every((kind) => looks(office, kind))) ??
    offices.find((office) => kinds.some((kind) => looks(office, kind))) ??
    (kinds.length === 0 ? offices[0] : undefined)
  );
}

interface Asked {
  phase: Phase;
  kinds: readonly InspectionKind[];
  /** The day that was wished for, or that the office gave. */
  wishedOn?: Day | undefined;
  notBefore?: Day;
  /** What is looked at on the one visit: areas of one job. */
  visits: readonly { id: string; area: string }[];
}

/** Asks the office for one visit on which it looks at all of these areas; refused where it has given no day. */
function book(context: CommandContext, job: string, asked: Asked): { day: Day; half: 0 | 1; office: string } {
  const { phase, kinds, wishedOn, visits } = asked;
  for (const { area } of visits) refuseBooked(context, area, phase, kinds);
  const booked = bookIfGiven(context, job, asked);
  if (booked) return booked;
  const { name } = needOffice(context, phase, kinds);
  throw unprocessable(
    'office-full',
    wishedOn === undefined ? `Say which day ${name} gave you.` : `${name} has no visit free within half a year.`,
    'wishedOn',
  );
}

function needOffice(context: CommandContext, phase: Phase, kinds: readonly InspectionKind[]) {
  const office = officeFor(context, phase, kinds);
  if (!office)
    throw unprocessable(
      'no-office',
      `No office is known that inspects ${phaseFacts(phase).label}; add it first.`,
      'phase',
    );
  return office;
}

/** Books the visit where its office gives a day; nothing where somebody has to ring it up first. */
function bookIfGiven(
  context: CommandContext,
  job: string,
  { phase, kinds, wishedOn, notBefore, visits }: Asked,
): { day: Day; half: 0 | 1; office: string } | undefined {
  const office = needOffice(context, phase, kinds);
  const on = today(context.installation);
  const taken = (day: Day): number =>
    queryOne<{ count: number }>(
      context.db,
      // All that is looked at on one site at one hour is one visit.
      `SELECT count(DISTINCT job || half) AS count
        FROM inspection
        WHERE office = @office AND day = @day AND state = 'booked'`,
      { office: office.id, day },
    )?.count ?? 0;
  const offer = context.installation.outside.offices.offer(
    { weekdays: office.weekdays, noticeDays: office.notice_days, visitsADay: office.visits_a_day },
    { on, ...(wishedOn ? { wished: wishedOn } : {}), ...(notBefore ? { notBefore } : {}) },
    taken,
    holidaysOf(readHouse(context.installation)),
  );
  if (!offer) return undefined;
  for (const { id, area } of visits)
    insert(context.db, 'inspection', {
      id,
      job,
      area,
      phase,
      office: office.id,
      asked_on: on,
      day: offer.day,
      half: offer.half,
      state: 'booked',
      kinds: JSON.stringify(kinds),
    });
  return { ...offer, office: office.name };
}

/** Two visits for the same thing in one room are a slip. */
function refuseBooked(context: CommandContext, area: string, phase: Phase, kinds: readonly InspectionKind[]): void {
  const open = queryAll<{ day: Day; kinds: string }>(
    context.db,
    `SELECT day, kinds FROM inspection WHERE area = @area AND phase = @phase AND state = 'booked'`,
    { area, phase },
  ).find((row) => {
    const its = JSON.parse(row.kinds) as InspectionKind[];
    return its.length === 0 || kinds.length === 0 || its.some((kind) => kinds.includes(kind));
  });
  if (open)
    throw new Refusal(409, {
      code: 'booked-already',
      message: `It is booked for ${formatDay(open.day)} already; cancel that first.`,
      field: 'phase',
    });
}

function settle(
  context: CommandContext,
  id: string,
  version: number,
  state: 'passed' | 'failed' | 'cancelled',
  said: { words: string; by?: string; slip?: string | undefined },
): Rows['inspection'] {
  const row = requireVersion(context, 'inspection', id, version);
  if (row.state !== 'booked') throw conflict('inspection', row);
  if (state !== 'cancelled' && row.day > today(context.installation))
    throw unprocessable(
      'not-yet',
      `The visit is on ${formatDay(row.day)}: nobody has looked yet. Another day is a visit cancelled and booked again.`,
      'id',
    );
  if (said.slip) requireRow(context, 'picture', said.slip, 'slip');
  update(context.db, 'inspection', id, {
    state,
    words: said.words,
    by: said.by ?? '',
    slip: orNull(said.slip),
    settled_at: context.now,
  });
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
  'inspection.show': (context, { id, ...to }) => {
    const visit = requireRow(context, 'inspection', id);
    if (visit.state !== 'booked')
      throw unprocessable('not-booked', 'Only a visit that is booked is shown to its office.', 'id');
    const { name } = requireRow(context, 'job', visit.job);
    const what = phaseFacts(visit.phase).label;
    const when = sayHalfDay(visit, today(context.installation));
    notifyParty(
      context,
      visit.job,
      { inspection: id },
      {
        title: `${name}: ${what}, ${when}`,
        body: `Your visit for ${what} at ${name} is booked for ${when}. What is there to be seen is on the page below.`,
      },
      to,
    );
    context.logFor(visit.job);
  },
  'office.set': (context, { id, version, name, phone, email, phases, weekdays, noticeDays, visitsADay, kinds }) => {
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
      email,
      phases: JSON.stringify(phases),
      weekdays: JSON.stringify([...new Set(weekdays)].sort()),
      notice_days: noticeDays,
      visits_a_day: visitsADay,
      kinds: JSON.stringify(kinds),
    };
    if (version === 0) insert(context.db, 'office', { id, ...row });
    else {
      requireVersion(context, 'office', id, version);
      update(context.db, 'office', id, row);
    }
    context.replanAll(openJobs(context), { kind: 'office', name });
  },
  'inspection.book': (context, { id, area, phase, wishedOn, kinds, also }) => {
    const { job, name } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, phase, 'phase');
    also.forEach((other, index) => {
      requireAreaOf(context, job, other.area, `also[${index}].area`);
      requireStep(context, other.area, phase, `also[${index}].area`);
    });
    const booked = book(context, job, { phase, kinds, wishedOn, visits: [{ id, area }, ...also] });
    context.replan(job, { kind: 'inspection', area, place: name, phase, what: 'booked', day: booked.day });
    return booked;
  },
  'inspection.cancel': (context, { id, version }) => {
    const row = settle(context, id, version, 'cancelled', { words: '' });
    context.replan(row.job, inspectionCause(context, row, 'cancelled'));
  },
  'inspection.pass': (context, { id, version, by, slip, words }) => {
    const row = settle(context, id, version, 'passed', { words, by, slip });
    context.replan(row.job, inspectionCause(context, row, 'passed'));
  },
  'inspection.fail': (context, { id, version, by, slip, again, fixes }) => {
    const words = fixes.map((fix) => fix.text).join('; ');
    const row = settle(context, id, version, 'failed', { words, by, slip });
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
    // Where no office answers by itself nobody has given a day yet: the visit stands among those to be booked.
    const booked = bookIfGiven(context, row.job, {
      phase: row.phase,
      kinds: JSON.parse(row.kinds) as InspectionKind[],
      notBefore: workdaysAfter(row.day > on ? row.day : on, working, holidaysOf(readHouse(context.installation))),
      visits: [{ id: again, area: row.area }],
    });
    context.replan(row.job, {
      kind: 'failed',
      area: row.area,
      place: name,
      phase: row.phase,
      fixes: fixes.map((fix) => fix.text),
    });
    return booked;
  },
  'job-task.settle': (context, { job, task, by, day }) => {
    requireRow(context, 'job', job, 'job');
    const on = day ?? today(context.installation);
    if (by && on > today(context.installation))
      throw unprocessable('not-yet', `${formatDay(on)} is still to come; say the day on which it was done.`, 'day');
    execute(context.db, 'DELETE FROM job_task_done WHERE job = @job AND task = @task', { job, task });
    if (by) insert(context.db, 'job_task_done', { job, task, done_on: on, by });
    context.replan(job, { kind: 'job-task', task, done: by !== '' });
  },
});
