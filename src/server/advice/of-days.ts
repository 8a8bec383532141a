import { groupBy } from '@/core/group-by';
import { jobEnd } from '@/core/schedule/job-end';
import { placedLike, type Placed } from '@/core/schedule/plan';
import type { Task } from '@/core/schedule/network';
import { isVisit } from '@/core/schedule/visit';
import { addDays, daysBetween, formatDay, weekday, type Day } from '@/core/units/day';
import { dayOfSlot, formatSlot } from '@/core/units/slot';
import { isWorkday } from '@/core/units/workday';
import { listed } from '@/core/words/count';
import { sayWork } from '@/core/words/work';
import { uuid } from '../database/id';
import { holidaysOf } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { visitDays } from '../reading/visits';
import { workedDayRows } from '../reading/worked-days';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** So many Saturdays are tried each by itself. */
const SATURDAYS = 4;

const SATURDAY = 6;

/** The next Saturdays from where it slipped on are worked at the job, one by itself or two of them. */
export function onDaysOff(firm: FirmReading, { job, tasks }: Slip, { net, placement }: Placed): Answer[] {
  const { today } = firm;
  const starts = tasks.map(({ id }) => placement.start[net.index.get(id) ?? -1] ?? 0);
  const from = dayOfSlot(today, Math.max(0, Math.min(...starts)));
  const until = dayOfSlot(today, jobEnd(net, placement, job.id));
  const worked = new Set(workedDayRows(job).map(({ day }) => day));
  const [first, ...more] = saturdays(from, until).filter(
    (day) => !worked.has(day) && !isWorkday(day, holidaysOf(firm)),
  );
  if (!first) return [];
  const { name } = jobRow(job);
  const answer = (days: readonly Day[]): Answer => ({
    key: `saturday ${days.join(' ')}`,
    title: days.length === 1 ? `Work on ${formatDay(days[0] ?? first, today)}` : 'Two Saturdays',
    how: `${listed(days.map((day) => formatDay(day, today)))} at ${name}: ask the crews, and the neighbours before anything loud.`,
    steps: days.map((day) => ({
      type: 'worked-day.add' as const,
      payload: { id: uuid(), job: job.id, day, words: 'to make up for what slipped' },
    })),
  });
  const [second] = more;
  return [...[first, ...more].map((day) => answer([day])), ...(second ? [answer([first, second])] : [])];
}

function saturdays(from: Day, until: Day): Day[] {
  const first = addDays(from, (SATURDAY - weekday(from) + 7) % 7);
  const weeks = Math.min(SATURDAYS, Math.floor(daysBetween(first, until) / 7) + 1);
  return Array.from({ length: Math.max(0, weeks) }, (_, week) => addDays(first, 7 * week));
}

/**
 * Work of the job of which nobody was told comes into the gap: all that can, or that of one room before the others. It stands
 * where it stands only so that nobody is moved unasked.
 */
export function sooner(firm: FirmReading, { job, tasks }: Slip, { net, placement }: Placed): Answer[] {
  const { standing } = net.input;
  if (!standing) return [];
  const rows = visitDays(firm);
  const slipped = new Set(tasks.map(({ id }) => id));
  const mayMove = (task: Task): boolean =>
    task.job === job.id && isVisit(task) && !slipped.has(task.id) && rows.get(task.id)?.told_day === null;
  // What fell away since the plan was made stands nowhere.
  const stood = new Map(
    [...standing.stood].filter(([id]) => {
      const task = net.tasks[net.index.get(id) ?? -1];
      return task !== undefined && !mayMove(task);
    }),
  );
  const free = placedLike({ ...net.input, standing: { ...standing, stood } });
  if (!free.ok) return [];
  const { value } = free;
  const come = net.tasks.filter((task, number) => {
    const [was, is] = [placement.start[number] ?? 0, value.placement.start[value.net.index.get(task.id) ?? -1]];
    return mayMove(task) && is !== undefined && is < was && is < standing.near && is >= standing.frozen;
  });
  if (come.length === 0) return [];
  const when = (task: Task): string =>
    `${sayWork(task.work)} ${formatSlot(firm.today, value.placement.start[value.net.index.get(task.id) ?? -1] ?? 0)}`;
  const answer = (key: string, title: string, list: readonly Task[]): Answer => ({
    ...{ key: `sooner ${key}`, title },
    how: `${list.slice(0, 3).map(when).join('; ')}${list.length > 3 ? ` and ${list.length - 3} more` : ''}.`,
    steps: [{ type: 'visit.free', payload: { tasks: list.map(({ id }) => id) } }],
  });
  const byArea = [...groupBy(come, ({ area }) => area ?? '')].filter(([area]) => area !== '');
  return [
    answer('all', 'Pull other work forward', come),
    ...(byArea.length < 2 ? [] : byArea).map(([area, list]) =>
      answer(area, `${areaNames(job).get(area) ?? ''} first`, list),
    ),
  ];
}
