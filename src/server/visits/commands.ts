import type { Payload } from '@/contract/commands';
import { groupBy } from '@/core/group-by';
import { jobFinish, type PlannedTask } from '@/core/schedule/plan';
import { isVisit } from '@/core/schedule/visit';
import { TRADES } from '@/core/sequence/trades';
import { formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon, lastDay } from '@/core/units/slot';
import { sayEndWord, saySubWord } from '@/core/words/visit-word';
import { sayWork } from '@/core/words/work';
import { execute, queryOne } from '../database/query';
import { handlers, requireRow, type CommandContext } from '../door/handler';
import { toldByHour } from '../firm/news-rules';
import { clientTold } from '../news/end-day';
import { notifyClient, notifySub, type Sending } from '../news/notify';
import { tellNeighbours, tellOffices } from './tell-others';
import { tradesOfSubs } from '../reading/crews';
import { readPlan, type StoredPlan } from '../reading/plan';
import { readHouse } from '../reading/reading';
import type { VisitDay } from '../reading/visits';
import { notFound, Refusal, unprocessable } from '../refusal';
import { today } from '../zone';

/** A visit on a half-day, by the row that says what was said of it and by the newest plan. */
interface Visit {
  task: PlannedTask;
  day: Day;
  half: 0 | 1;
  /** The plan has it on that half-day. */
  isPlanned: boolean;
  row: VisitDay | undefined;
}

const needPlan = (context: CommandContext): StoredPlan => {
  const plan = readPlan(context.db);
  if (!plan) throw unprocessable('no-plan', 'Nothing is planned yet; set out a job first.');
  return plan;
};

/** The visits of a command; refused where one is none, has begun, or would be on a day that is over. */
function visitsOf(context: CommandContext, plan: StoredPlan, asked: Payload<'visit.answer'>['visits']): Visit[] {
  const on = today(context.installation);
  return asked.map(({ task: id, day, half }, index) => {
    const field = `visits[${index}].task`;
    const task = plan.tasks.find((planned) => planned.id === id);
    if (!task) throw notFound('visit', field);
    if (!isVisit(task)) throw unprocessable('no-visit', noVisitWords(task), field);
    if (day < on)
      throw unprocessable('visit-past', `${formatDay(day, on)} is over; say the day it is planned for now.`, field);
    return {
      task,
      day,
      half: half === 1 ? 1 : 0,
      isPlanned: dayOfSlot(plan.origin, task.start) === day && isAfternoon(task.start) === (half === 1),
      row: queryOne<VisitDay>(context.db, 'SELECT * FROM visit_day WHERE task = @id', { id }),
    };
  });
}

function noVisitWords({ work, crew, state }: PlannedTask): string {
  if (crew === null) return `Nobody comes for ${sayWork(work)}.`;
  const how = state === 'done' ? 'done' : 'under way';
  return `${sayWork(work)} is ${how}; only what has not begun has a day to speak of.`;
}

/** The half-day on which somebody could come who cannot on the one they were told. */
interface Wish {
  wishDay: Day | null;
  wishHalf: number | null;
}
const NO_WISH: Wish = { wishDay: null, wishHalf: null };

/** From now on it stands on that half-day, and this is what was said of it. */
function keepSaid(
  context: CommandContext,
  { task, day, half }: Visit,
  said: VisitDay['said'],
  by: string,
  note = '',
  wish: Wish = NO_WISH,
): void {
  execute(
    context.db,
    `UPDATE visit_day
      SET day = @day, half = @half, told_day = @day, told_half = @half, said = @said, said_at = @now, said_by = @by,
        note = @note, wish_day = @wishDay, wish_half = @wishHalf
      WHERE task = @task`,
    { task: task.id, day, half, said, now: context.now, by, note, ...wish },
  );
}

/** Writes to a sub what moves of theirs, and asks whether it suits. */
function writeToSub(context: CommandContext, visits: readonly Visit[], sub: string, to: Sending): void {
  const { name } = requireRow(context, 'sub', sub, 'subs');
  const [first] = visits;
  if (!first) throw unprocessable('nothing-to-tell', `No visit of ${name} is in the list.`, 'subs');
  const words = visits.map(({ task, day, half, row }) => ({
    ...{ job: requireRow(context, 'job', task.job).name, work: task.work, reason: task.reason, to: { day, half } },
    from: row?.told_day ? { day: row.told_day, half: row.told_half ?? 0 } : null,
  }));
  notifySub(context, sub, first.task.job, saySubWord(words, name, today(context.installation)), to);
}

/** Writes to a client on what day their job ends now. */
function writeToClient(context: CommandContext, job: string, end: Day | undefined, to: Sending): void {
  const { name } = requireRow(context, 'job', job, 'clients');
  if (!end) throw unprocessable('nothing-to-tell', `The end of ${name} is not in the list.`, 'clients');
  const before = queryOne<{ day: Day }>(context.db, 'SELECT day FROM end_day WHERE job = @job', { job })?.day ?? null;
  notifyClient(context, job, sayEndWord(name, before, end, today(context.installation)), to);
}

const movedSince = (what: string, field: string): Refusal =>
  unprocessable('moved-since', `${what} has moved again since this list was made; look at the list of now.`, field);

function endOf(plan: StoredPlan, job: string): Day | undefined {
  const finish = jobFinish(plan, job);
  return finish === undefined ? undefined : lastDay(plan.origin, finish);
}

const isOfSub = (context: CommandContext, crew: string | null): boolean =>
  crew !== null && queryOne(context.db, 'SELECT 1 FROM sub WHERE id = @crew', { crew }) !== undefined;

const isTold = ({ row, day, half }: Visit): boolean => row?.told_day === day && row.told_half === half;

/** Who holds a sub's link answers for their own visits, and to a day they were told or the plan has. */
function needAnswerable({ who }: CommandContext, visit: Visit, field: string): void {
  const { task, row } = visit;
  if (who.kind === 'link' && (who.audience !== 'sub' || who.sub !== task.crew))
    throw new Refusal(403, { code: 'not-allowed', message: 'Only whoever comes can answer for this visit.', field });
  if (!row || (!isTold(visit) && !visit.isPlanned))
    throw unprocessable(
      'not-that-day',
      `${sayWork(task.work)} is planned for another day now; answer for that one.`,
      field,
    );
}

/** Those of some visits that are not answered like this yet; refused where all are. */
function notYet(visits: readonly Visit[], answer: keyof typeof SAID, wish: Wish): Visit[] {
  const open = visits.filter(
    (visit) =>
      !isTold(visit) ||
      visit.row?.said !== SAID[answer] ||
      visit.row.wish_day !== wish.wishDay ||
      visit.row.wish_half !== wish.wishHalf,
  );
  if (open.length > 0) return open;
  const by = visits[0]?.row?.said_by;
  throw unprocessable(
    'answered-already',
    `${by ? by : 'They'} said ${answer === 'another day' ? 'that day' : `${answer} to this`} already.`,
    'visits[0].task',
  );
}

const SAID = { yes: 'confirmed', no: 'declined', 'another day': 'declined' } as const;

/** The day on which they could, not over and not the one they cannot. */
function wishOf(context: CommandContext, { answer, wishDay, wishHalf, visits }: Payload<'visit.answer'>): Wish {
  if (answer !== 'another day' || !wishDay) return NO_WISH;
  const on = today(context.installation);
  if (wishDay < on)
    throw unprocessable('visit-past', `${formatDay(wishDay, on)} is over; say a day to come.`, 'wishDay');
  if (visits.some(({ day, half }) => day === wishDay && half === wishHalf))
    throw unprocessable('same-day', 'That is the day you were asked for; say yes to it, or another one.', 'wishDay');
  return { wishDay, wishHalf };
}

export const visitHandlers = handlers({
  'visit.tell': (context, payload) => {
    const { visits: asked, subs, ends, clients, byHour } = payload;
    const plan = needPlan(context);
    const visits = visitsOf(context, plan, asked);
    visits.forEach(({ isPlanned, task }, index) => {
      if (!isPlanned) throw movedSince(sayWork(task.work), `visits[${index}].task`);
    });
    ends.forEach(({ job, day }, index) => {
      if (endOf(plan, job) !== day) throw movedSince('The end', `ends[${index}].job`);
    });
    for (const { sub, ...to } of subs)
      writeToSub(
        context,
        visits.filter(({ task }) => task.crew === sub),
        sub,
        to,
      );
    for (const { job, ...to } of clients) writeToClient(context, job, ends.find((end) => end.job === job)?.day, to);
    tellOffices(context, plan, payload);
    tellNeighbours(context, payload);
    if (byHour) toldByHour(context.db, today(context.installation));
    const by = context.who.kind === 'person' ? context.who.name : '';
    for (const visit of visits) keepSaid(context, visit, isOfSub(context, visit.task.crew) ? 'asked' : 'told', by);
    for (const { job, day } of ends) clientTold(context.db, job, day, context.now);
  },
  'visit.answer': (context, payload) => {
    const { visits: asked, answer, by, note } = payload;
    const wish = wishOf(context, payload);
    const plan = needPlan(context);
    const all = visitsOf(context, plan, asked);
    all.forEach((visit, index) => needAnswerable(context, visit, `visits[${index}].task`));
    const visits = notYet(all, answer, wish);
    for (const visit of visits) keepSaid(context, visit, SAID[answer], by, note, wish);
    for (const [job, list] of groupBy(visits, ({ task }) => task.job)) {
      const [first] = list;
      if (answer === 'yes' || !first) {
        context.planStays(job);
        continue;
      }
      const { task, day } = first;
      const name = plan.crewCapacity.find(({ sub }) => sub === task.crew)?.name ?? '';
      context.replan(job, { kind: 'declined', crew: task.crew ?? '', name, task: task.id, work: task.work, day });
    }
  },
  'visit.free': (context, { tasks }) => {
    const plan = needPlan(context);
    const freed = tasks.map((id, index) => {
      const task = plan.tasks.find((planned) => planned.id === id);
      if (!task || !isVisit(task)) throw notFound('visit', `tasks[${index}]`);
      const row = queryOne<VisitDay>(context.db, 'SELECT * FROM visit_day WHERE task = @id', { id });
      if (row?.told_day)
        throw unprocessable(
          'visit-told',
          `${sayWork(task.work)}: they go by ${formatDay(row.told_day, today(context.installation))}; tell them another day, or ask.`,
          `tasks[${index}]`,
        );
      return task;
    });
    for (const { id: task } of freed) execute(context.db, 'UPDATE visit_day SET free = 1 WHERE task = @task', { task });
    for (const [job, [first, ...more]] of groupBy(freed, (task) => task.job))
      if (first) context.replan(job, { kind: 'freed', task: first.id, work: first.work, more: more.length });
  },
  'visit.give': (context, { tasks, sub }) => {
    const plan = needPlan(context);
    const { name } = requireRow(context, 'sub', sub, 'sub');
    const trades = tradesOfSubs(readHouse(context.installation)).get(sub) ?? [];
    const named = tasks.map((id, index) => {
      const task = plan.tasks.find((planned) => planned.id === id);
      if (!task || !isVisit(task)) throw notFound('visit', `tasks[${index}]`);
      if (!trades.includes(task.trade))
        throw unprocessable(
          'not-their-trade',
          `${name} does no ${TRADES[task.trade].toLowerCase()}; add that trade to them under Firm, or choose another.`,
          'sub',
        );
      return task;
    });
    // Of several, those that they come for already stay as they were agreed.
    const given = named.filter((task) => task.crew !== sub);
    if (given.length === 0)
      throw unprocessable(
        'theirs-already',
        `${name} comes for ${named.map(({ work }) => sayWork(work)).join(', ')} already.`,
        'sub',
      );
    for (const task of given)
      execute(
        context.db,
        `UPDATE visit_day
          SET crew = @sub, said = 'nothing', told_day = NULL, told_half = NULL, said_at = NULL, said_by = '', note = '',
            wish_day = NULL, wish_half = NULL
          WHERE task = @task`,
        { sub, task: task.id },
      );
    for (const [job, [first, ...more]] of groupBy(given, (task) => task.job))
      if (first) context.replan(job, { kind: 'given', sub, name, task: first.id, work: first.work, more: more.length });
  },
});
