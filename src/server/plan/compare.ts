import type { PreviewView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import { countBefore } from '@/core/schedule/calendar';
import { jobEnds } from '@/core/schedule/job-end';
import { opened } from '@/core/schedule/objective';
import { placedLike, type Placed } from '@/core/schedule/plan';
import { roundsOf, tripsOf } from '@/core/schedule/trips';
import { isVisit } from '@/core/schedule/visit';
import { formatDay } from '@/core/units/day';
import { formatSlot, lastDay } from '@/core/units/slot';
import { sayLeftOut } from '@/core/words/left-out';
import { phrase } from '@/core/words/phrase';
import { sayWork } from '@/core/words/work';
import { jobNames } from '../reading/job';
import type { FirmReading } from '../reading/reading';
import { mustHear, visitDays } from '../reading/visits';
import { isSeen, type Sees } from '../rights/sees';
import { planInput } from './plan-input';

/** The work of a firm placed, or what keeps it from being placed. */
export type Picture = ReturnType<typeof placedLike>;
export const picture = (firm: FirmReading): Picture => placedLike(planInput(firm));

/**
 * What one plan is against another.
 * @param firm as it is: its names and its today
 * @param sees whoever looks: of jobs that are not theirs they hear that they move, and no more
 */
export function compared(firm: FirmReading, before: Picture, after: Picture, sees: Sees): PreviewView {
  const none = { jobs: [], trips: 0, added: [], gone: [], broken: [], told: [], others: 0 };
  if (!after.ok) return { ...none, problem: after.problem.message };
  const left = after.value.leftOut;
  if (left.length > 0)
    return { ...none, problem: sayLeftOut(left, firm.today, (job) => jobNames(firm).get(job) ?? '') };
  if (!before.ok) return { ...none, problem: null };
  const on = firm.today;
  const [was, is] = [before.value, after.value];
  const endsOf = ({ net, placement }: typeof was): Map<string, number> =>
    new Map([...jobEnds(net, placement)].map((end, job) => [net.jobs[job] ?? '', end]));
  const [ended, ends] = [endsOf(was), endsOf(is)];
  const trips = ({ net, placement }: typeof was): number => tripsOf(net, roundsOf(net), placement);
  const labels = ({ net }: typeof was): Map<string, string> =>
    new Map(
      net.tasks.flatMap((task) =>
        task.state === 'done' || !isSeen(sees, task.job) ? [] : [[task.id, sayWork(task.work)] as const],
      ),
    );
  const [had, has] = [labels(was), labels(is)];
  const broken = ({ net, placement }: typeof was): string[] =>
    net.input.exposures.flatMap((exposure) => {
      const from = net.tasks[net.index.get(exposure.from) ?? -1];
      return from && isSeen(sees, from.job) && opened(net, placement, exposure)?.kept === false
        ? [`${sayWork(from.work)}: ${exposure.reason}`]
        : [];
    });
  const brokenBefore = new Set(broken(was));
  return {
    jobs: [...jobNames(firm)].flatMap(([id, name]) => {
      const [from, to] = [ended.get(id) ?? 0, ends.get(id) ?? 0];
      const calendar = is.net.jobCalendar[is.net.tasks.findIndex((task) => task.job === id)];
      if (from === 0 || to === 0 || !calendar || (from === to && !isSeen(sees, id))) return [];
      return [
        {
          ...(isSeen(sees, id) ? { id, name } : { id: `another ${ended.size} ${from} ${to}`, name: 'another job' }),
          from: formatDay(lastDay(on, from), on),
          to: formatDay(lastDay(on, to), on),
          days: (countBefore(calendar, to) - countBefore(calendar, from)) / 2,
        },
      ];
    }),
    trips: trips(is) - trips(was),
    added: [...has].flatMap(([id, label]) => (had.has(id) ? [] : [label])),
    gone: [...had].flatMap(([id, label]) => (has.has(id) ? [] : [label])),
    broken: broken(is).filter((text) => !brokenBefore.has(text)),
    ...wouldMove(firm, was, is, sees),
    problem: null,
  };
}

/** Who would have to be told of visits that move: those that were told, and those of the next two weeks. */
function wouldMove(firm: FirmReading, was: Placed, is: Placed, sees: Sees): Pick<PreviewView, 'told' | 'others'> {
  const rows = visitDays(firm);
  const names = jobNames(firm);
  const on = (slot: number): string => formatSlot(firm.today, slot);
  const moved = is.net.tasks.flatMap((task, number) => {
    const before = was.net.index.get(task.id);
    const [from, to] = [was.placement.start[before ?? -1], is.placement.start[number] ?? 0];
    return from === undefined || from === to || !isVisit(task) ? [] : [{ task, from, to, row: rows.get(task.id) }];
  });
  const told = moved.filter(({ from, to, row }) => mustHear(firm, row, from, to));
  const crews = new Map(is.net.input.crews.map(({ id, name }) => [id, name]));
  return {
    told: [...groupBy(told, ({ task }) => task.crew ?? '')].map(([crew, visits]) => ({
      name: crews.get(crew) ?? '',
      visits: visits.map(({ task, from, to, row }) => ({
        ...(isSeen(sees, task.job)
          ? { label: sayWork(task.work), job: names.get(task.job) ?? '' }
          : { label: phrase('a visit'), job: 'another job' }),
        ...{ from: on(from), to: on(to) },
        confirmed: row?.said === 'confirmed',
      })),
    })),
    others: moved.length - told.length,
  };
}
