import type { ForecastView } from '@/contract/views/forecast';
import { playedOf, type AskedEnd, type Uncertain } from '@/core/forecast/build';
import type { Coming } from '@/core/forecast/played';
import { countBefore, type Calendar } from '@/core/schedule/calendar';
import type { NotBefore, Task } from '@/core/schedule/network';
import { placedLike } from '@/core/schedule/plan';
import { PHASE_KEYS, phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId, taskRef } from '@/core/sequence/site';
import { daysBetween, formatDay } from '@/core/units/day';
import { lastDay, slotOf } from '@/core/units/slot';
import { sayWork } from '@/core/words/work';
import { outlookRows, normalRows } from '../reading/firm';
import { areaRows, jobRow } from '../reading/job';
import type { FirmReading, JobReading } from '../reading/reading';
import { assumptionRows } from '../reading/scope';
import { failing, lateGoods, latenessBySub, pacesByTrade, wrongAssumptions } from '../reading/seen';
import { selectionRows } from '../reading/selections';
import { unprocessable } from '../refusal';
import { planInput } from './plan-input';
import type { Sees } from '../rights/sees';

/** Half-days that an answer, or a decision, is late in the mean where it is late, and how likely it is. */
const ANSWERS = { late: 0.35, lateBy: 8 };

/** What comes for all rooms together at the end. */
const TOGETHER: readonly Phase[] = ['snags', 'clean', 'hand-over'];

/** What somebody from an office looks at. */
const INSPECTED = PHASE_KEYS.filter((phase) => phaseFacts(phase).hold === 'inspection');

/** A failed inspection: something is put right, and the office comes again. */
const AGAIN = 8;

/**
 * What a forecast of a job is played from: the whole firm's plan, and all that is not sure of it.
 * @param sees what whoever looks may see: what a day costs, and the names of which jobs
 */
export function forecastView(firm: FirmReading, id: string, sees: Sees): ForecastView {
  const job = firm.job(id);
  const like = placedLike(planInput(firm));
  if (!like.ok) throw unprocessable(like.problem.code, like.problem.message);
  const { net, placement } = like.value;
  const open = net.tasks.filter((task) => task.job === id && task.state !== 'done');
  if (!open.some(({ duration }) => duration > 0))
    throw unprocessable(
      'nothing-to-forecast',
      'No work with a time is left here; set out rooms with their work first.',
    );
  const promise = net.input.promises[id];
  const calendar = net.jobCalendar[net.tasks.findIndex((task) => task.job === id)];
  const costAt = sees.prices && calendar ? costOfEnds(job, calendar) : undefined;
  const uncertain = { ...uncertainOf(firm, { asked: id, sees }, net.input.notBefore), ...(costAt ? { costAt } : {}) };
  const played = playedOf(net, placement, uncertain, [...endsOf(job, promise), ...milestonesOf(open)]);
  const own = new Set<string>(open.map((task) => task.id));
  const until = open.reduce((end, task) => Math.max(end, placement.finish[net.index.get(task.id) ?? -1] ?? 0), 0);
  return {
    job: { id, name: jobRow(job).name },
    net: { ...played, ids: played.ids.map((task) => (own.has(task) ? task : '')) },
    names: Object.fromEntries(open.map((task) => [task.id, sayWork(task.work)])),
    planned: formatDay(lastDay(firm.today, until), firm.today),
    promise: promise === undefined ? null : formatDay(lastDay(firm.today, promise), firm.today),
    records: [...pacesByTrade(firm).values()].reduce((sum, list) => sum + list.length, 0),
    weather: played.normals.length > 0,
  };
}

/** What a job costs by when it ends: days on which the site runs, and days after the promise; nothing where nobody has said. */
function costOfEnds(job: JobReading, calendar: Calendar): ((slot: number) => number) | undefined {
  const { late_cost: late, site_cost: site, promise_day: promise } = jobRow(job);
  if (site === null && (late === null || promise === null)) return undefined;
  const { today } = job.firm;
  return (slot) => {
    const daysLate = promise === null || slot === 0 ? 0 : Math.max(0, daysBetween(promise, lastDay(today, slot)));
    return ((site ?? 0) * countBefore(calendar, slot)) / 2 + (late ?? 0) * daysLate;
  };
}

/** The job's end first, then those of its areas. */
function endsOf(job: JobReading, promise: number | undefined): AskedEnd[] {
  return [
    { id: job.id, label: 'The whole job', is: (task) => task.job === job.id, promise: promise ?? null },
    ...areaRows(job).map(({ id, name }) => ({
      ...{ id: id, label: name, promise: null },
      // Punch list, cleaning and hand-over come for the whole house at once.
      is: ({ area, phase }: Pick<Task, 'area' | 'phase'>) => area === id && phase !== null && !TOGETHER.includes(phase),
    })),
  ];
}

/** What is said to be reached rather than done: a level that is tight, all rooms ready. */
const milestonesOf = (open: readonly Task[]): AskedEnd[] =>
  open
    .filter(({ area, duration }) => area === null && duration === 0)
    .map(({ id, work }) => ({ ...{ id, label: sayWork(work), promise: null }, is: (task) => task.id === id }));

/** Days of a month, as its normals are counted. */
const DAYS = 31;

/** Of which job it is, and which of the others whoever looks may hear of. */
interface Asked {
  asked: string;
  sees: Sees;
}

/** What it is about, with its house where that is not the one asked about; of a house that is not theirs no more than that. */
function placed(job: JobReading, { asked, sees }: Asked, area: string, what: string): string {
  if (sees.jobs && !sees.jobs.has(job.id)) return 'Something on another job';
  return `${job.id === asked ? area : `${jobRow(job).name}, ${area}`}${what}`;
}

function uncertainOf(firm: FirmReading, asked: Asked, waits: readonly NotBefore[]): Uncertain {
  const normals = new Map(normalRows(firm).map((row) => [row.month, row]));
  const outlook = outlookRows(firm).at(-1);
  return {
    ...{ paces: pacesByTrade(firm), lateness: latenessBySub(firm) },
    chances: firm.jobs.flatMap((id) => chancesOf(firm.job(id), asked)),
    comings: comingsOf(firm, asked, waits),
    normals:
      normals.size === 0
        ? []
        : Array.from({ length: 12 }, (_, at): [number, number, number] => {
            const { wet = 0, windy = 0, frosty = 0 } = normals.get(at + 1) ?? {};
            return [wet / DAYS, windy / DAYS, frosty / DAYS];
          }),
    outlookUntil: outlook ? Math.max(0, slotOf(firm.today, outlook.day, outlook.half) + 1) : 0,
  };
}

function chancesOf(job: JobReading, asked: Asked): Uncertain['chances'] {
  const { firm } = job;
  const wrong = wrongAssumptions(firm);
  const names = new Map(areaRows(job).map(({ id, name }) => [id as string, name]));
  return [
    ...assumptionRows(job)
      .filter(({ state }) => state === 'open')
      .map(({ area, phase, text, sure, fallback_half_days: more }) => ({
        ...{
          label: placed(job, asked, names.get(area) ?? '', `: ${text}`),
          kind: 'assumption' as const,
          task: taskId(area, phase),
          more,
        },
        wrong: sure === null ? wrong : 1 - sure / 100,
      })),
    ...areaRows(job).flatMap(({ id, name }) =>
      INSPECTED.map((phase) => ({
        ...{
          label: placed(job, asked, name, `: ${phaseFacts(phase).label} passes`),
          kind: 'inspection' as const,
          task: taskId(id, phase),
        },
        ...{ wrong: failing(firm), more: AGAIN },
      })),
    ),
  ];
}

/** Everything from outside that work waits for and that may come at another time. */
function comingsOf(firm: FirmReading, asked: Asked, waits: readonly NotBefore[]): Uncertain['comings'] {
  const goods = lateGoods(firm);
  const leads = new Map(
    firm.jobs.flatMap((id) =>
      selectionRows(firm.job(id)).map((row) => [row.id as string, row.lead_high - row.lead_low] as const),
    ),
  );
  return waits.flatMap(({ task, slot, wait, open, selection, kind, closedBy }): Uncertain['comings'][number][] => {
    if (kind !== undefined || closedBy !== undefined) return [];
    const coming = (label: string, of: Coming['kind'], over: Partial<Omit<Coming, 'tasks'>>) => [
      { label, kind: of, tasks: [task], slot, sooner: 0, ...ANSWERS, ...over },
    ];
    if (wait.kind === 'delivery')
      return coming(labelOf(firm, asked, task, wait.thing), 'order', {
        ...{ late: goods.late, lateBy: 2 * goods.days },
        ...(open ? { sooner: 2 * (leads.get(selection ?? '') ?? 0) } : {}),
      });
    if (wait.kind === 'request') return coming(wait.label, 'decision', {});
    if (wait.kind === 'hold') return coming(labelOf(firm, asked, task, wait.text), 'decision', {});
    if (wait.kind === 'others') return coming(labelOf(firm, asked, task, wait.who), 'order', {});
    return [];
  });
}

function labelOf(firm: FirmReading, asked: Asked, task: string, what: string): string {
  const { area } = taskRef(task);
  for (const id of firm.jobs) {
    const row = areaRows(firm.job(id)).find((one) => one.id === area);
    if (row) return placed(firm.job(id), asked, row.name, `: ${what}`);
  }
  return what;
}
