import type { RuleView, MethodView, SequenceView, StepView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import type { Link } from '@/core/schedule/network';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { NEVER_OFF, RULES, SETTLED_JOB_TASKS } from '@/core/sequence/rules';
import { METHODS } from '@/core/sequence/methods';
import { gateId, jobTaskId, taskId } from '@/core/sequence/site';
import { STAGE_KEYS, stageOfWork } from '@/core/sequence/stages';
import { daysBetween, formatDay, formatWeekday, type Day } from '@/core/units/day';
import { dayOfSlot, formatSlot, isAfternoon, lastDay } from '@/core/units/slot';
import { sayReason } from '@/core/words/reason';
import type { PlannedTask } from '@/core/schedule/plan';
import { sayPlace, sayWork, sayWorkHere, sayWorkShort } from '@/core/words/work';
import { sayLimit } from '@/core/words/limit';
import { jobHead } from './job-head';
import { carryingOf } from './carrying';
import { holdsOf } from './holds';
import { tradesOfSubs } from '../reading/crews';
import { planProblem, subRows } from '../reading/firm';
import { areaNames, areaRows, partRows, phasesOf, stepRows } from '../reading/job';
import { choiceRows, ownRules, ruleOf, switchRows, type OwnRuleRow } from '../reading/knowledge';
import { planOf, tasksOf } from '../reading/plan';
import { measuredHalfDays } from '../reading/rates';
import { ofJob, type JobReading } from '../reading/reading';
import { assumptionRows } from '../reading/scope';
import { siteOf } from '../reading/site';
import { doneTaskRows, gatesWith, ownLinkRows, pinRows } from '../reading/sequence';
import { workedDayRows } from '../reading/worked-days';
import { quietView } from './quiet';
import { logisticsOf, notNeededOf, proposalViews } from './logistics';

/** A job's order as steps to read, each with what it waits for and why. */
export const sequenceView = ofJob((job): SequenceView => {
  const plan = planOf(job);
  const tasks = tasksOf(job);
  const names = areaNames(job);
  return {
    job: jobHead(job),
    today: job.firm.today,
    areas: areaRows(job).flatMap(({ id, name }) => {
      const steps = phasesOf(job).get(id);
      return steps ? [{ id, name, steps }] : [];
    }),
    ...stepsOf(job),
    subs: subRows(job.firm).map(({ id, name }) => ({ id, name, trades: tradesOfSubs(job.firm).get(id) ?? [] })),
    stages: stagesOf(job),
    carrying: carryingOf(job),
    own: ownLinkRows(job).map((row) => ({
      id: row.id,
      before: `${names.get(row.before_area) ?? ''} · ${phaseFacts(row.before_phase).label}`,
      after: `${names.get(row.after_area) ?? ''} · ${phaseFacts(row.after_phase).label}`,
      reason: row.reason,
      ends: {
        before: { area: row.before_area, phase: row.before_phase },
        after: { area: row.after_area, phase: row.after_phase },
      },
    })),
    exposures: (plan?.exposures ?? [])
      .filter((exposure) => tasks.has(exposure.from))
      .map((exposure) => ({
        label: limitName(tasks, exposure.from, exposure.to),
        kept: exposure.kept,
        text: sayLimit({
          actual: exposure.actual,
          most: exposure.most,
          kept: exposure.kept,
          rain: exposure.rain !== undefined,
          why: exposure.reason,
          cure: exposure.cure,
        }),
      })),
    jobTasks: jobTasksOf(job),
    holds: holdsOf(job),
    methods: methodsOf(job),
    rules: rulesOf(job),
    gates: gatesOf(job),
    logistics: logisticsOf(job),
    notNeeded: notNeededOf(job),
    proposals: proposalViews(job),
    quiet: quietView(job),
    workedDays: workedDayRows(job).flatMap(({ id, day, words }) =>
      day < job.firm.today ? [] : [{ id, day, words, text: formatDay(day, job.firm.today) }],
    ),
    problem: planProblem(job.firm),
  };
});

/** What a piece of work is called; nothing for what is not planned any more. */
function nameIn(tasks: ReadonlyMap<string, PlannedTask>, id: string): string {
  const task = tasks.get(id);
  return task ? sayWork(task.work) : '';
}

/** What must not last too long: one piece of work, or from one to another, the place said once. */
function limitName(tasks: ReadonlyMap<string, PlannedTask>, from: string, to: string): string {
  const [first, last] = [tasks.get(from)?.work, tasks.get(to)?.work];
  if (!first || !last || from === to) return nameIn(tasks, from);
  const end = sayPlace(first) === sayPlace(last) ? sayWorkHere(last) : sayWork(last);
  return `${sayWork(first)} to ${end}`;
}

/** Gives every text a place, the same text the same. */
function sayings(): { said: string[]; place: (text: string) => number } {
  const places = new Map<string, number>();
  const said: string[] = [];
  return {
    said,
    place: (text) => {
      const known = places.get(text);
      if (known !== undefined) return known;
      places.set(text, said.length);
      return said.push(text) - 1;
    },
  };
}

function stepsOf(job: JobReading): Pick<SequenceView, 'steps' | 'said'> {
  const { said, place } = sayings();
  const plan = planOf(job);
  const tasks = tasksOf(job);
  const into = groupBy(plan?.links ?? [], (link) => link.after);
  const outOf = groupBy(plan?.links ?? [], (link) => link.before);
  const believed = groupBy(
    assumptionRows(job).filter((row) => row.state === 'open'),
    (row) => taskId(row.area, row.phase) as string,
  );
  const at = frontsOf(job);
  const times = new Map(stepRows(job).map((row) => [taskId(row.area, row.phase), row]));
  const parts = groupBy(partRows(job), (row) => taskId(row.area, row.phase) as string);
  const open = [...tasks.values()]
    .filter((task) => task.state !== 'done')
    .sort((a, b) => a.start - b.start || a.finish - b.finish || (sayWork(a.work) < sayWork(b.work) ? -1 : 1));
  const steps = open.map((task): StepView => {
    const time = times.get(task.id);
    return {
      task: task.id,
      label: sayWork(task.work),
      area: task.area,
      phase: task.phase,
      trade: task.trade,
      state: task.state,
      when: plan ? formatSlot(plan.origin, task.start) : '',
      day: plan ? dayOfSlot(plan.origin, task.start) : job.firm.today,
      days: plan ? daysOf(plan.origin, task, job.firm.today) : '',
      stage: stageOfWork(task.work, task.area, at),
      short: sayWorkShort(task.work),
      place: sayPlace(task.work),
      because: plan ? becauseOf(task, tasks, plan.origin) : null,
      links: (into.get(task.id) ?? []).map((link) => {
        const lag = lagWords(link);
        return {
          ...{ from: place(nameIn(tasks, link.before)), reason: place(link.reason) },
          ...{ rule: link.rule, must: link.strength === 'hard' },
          ...(lag ? { lag } : {}),
          ...(tasks.get(link.before)?.state === 'done' ? { done: true as const } : {}),
        };
      }),
      frees: (outOf.get(task.id) ?? []).flatMap((link) => {
        const name = nameIn(tasks, link.after);
        return name ? [place(name)] : [];
      }),
      assumptions: (believed.get(task.id) ?? []).map((row) => row.text),
      time: time
        ? {
            halfDays: time.half_days,
            crews: time.crews,
            basis: time.basis,
            measured: measuredHalfDays(job, time.area, time.phase) ?? null,
            parts: (parts.get(task.id) ?? []).map((part) => ({ label: part.label, halfDays: part.half_days })),
            others: time.others,
            othersOn: time.others_on,
          }
        : null,
    };
  });
  return { steps, said };
}

/** The days of a step, near ones by their weekday. */
function daysOf(origin: Day, { start, finish }: PlannedTask, today: Day): string {
  const [first, last] = [dayOfSlot(origin, start), lastDay(origin, Math.max(finish, start + 1))];
  const said = (day: Day, near: Day): string =>
    day <= today ? 'today' : daysBetween(today, day) < 6 ? formatWeekday(day) : formatDay(day, near);
  // The year is said once, where it is another than today's.
  return said(first, today) === said(last, today) ? said(last, today) : `${said(first, last)} – ${said(last, today)}`;
}

/** What decides when a step begins, where it is not simply the step before it in the same room. */
function becauseOf(task: PlannedTask, tasks: ReadonlyMap<string, PlannedTask>, origin: Day): string | null {
  const { reason } = task;
  if (reason.kind === 'link') {
    const before = tasks.get(reason.task);
    return before && before.area === task.area && before.state !== 'done'
      ? null
      : before?.state === 'done'
        ? null
        : sayReason(reason, origin);
  }
  return reason.kind === 'not-before' || reason.kind === 'weather' || reason.kind === 'away'
    ? sayReason(reason, origin)
    : null;
}

/** Work of the whole job, in the order of its days. */
function jobTasksOf(job: JobReading): SequenceView['jobTasks'] {
  const done = new Map(doneTaskRows(job).map((row) => [row.task, row]));
  const origin = planOf(job)?.origin ?? job.firm.today;
  const tasks = tasksOf(job);
  return SETTLED_JOB_TASKS.flatMap((task) => {
    const planned = tasks.get(jobTaskId(job.id, task));
    const said = done.get(task);
    return planned
      ? [
          {
            task,
            piece: planned.id,
            day: dayOfSlot(origin, planned.start),
            half: isAfternoon(planned.start) ? 1 : 0,
            label: sayWork(planned.work),
            when: formatSlot(origin, planned.start),
            booked: pinRows(job).find((pin) => pin.task === planned.id)?.reason ?? null,
            named: said !== undefined,
            done: said
              ? `${said.by}, ${formatDay(said.done_on, job.firm.today)}`
              : planned.state === 'done'
                ? 'by what walks have seen'
                : null,
          },
        ]
      : [];
  });
}

/** The step at which each area is. */
const frontsOf = (job: JobReading): ReadonlyMap<string, Phase> =>
  new Map(
    siteOf(job).areas.flatMap(({ id, track }) => {
      const front = track.find((step) => step.fraction < 1);
      return front ? [[id, front.phase] as const] : [];
    }),
  );

/** How far each stage is, by steps. */
function stagesOf(job: JobReading): SequenceView['stages'] {
  const result = Object.fromEntries(STAGE_KEYS.map((stage) => [stage, { done: 0, of: 0 }])) as SequenceView['stages'];
  const at = frontsOf(job);
  for (const task of tasksOf(job).values()) {
    const stage = result[stageOfWork(task.work, task.area, at)];
    stage.of++;
    if (task.state === 'done') stage.done++;
  }
  return result;
}

function lagWords(link: Link): string {
  const kind = link.kind === 'SS' ? 'has begun' : link.kind === 'FF' ? 'ends first' : '';
  if (link.lag === 0) return kind;
  return (
    `${kind ? `${kind}, and ` : ''}${link.lag / 2} ${link.lag === 2 ? 'day' : 'days'} ` +
    (link.lagUnit === 'elapsed' ? 'to dry or cure' : 'of making time')
  );
}

function methodsOf(job: JobReading): MethodView[] {
  const rows = choiceRows(job);
  const names = areaNames(job);
  return METHODS.map(({ key, title, variants }) => {
    const [firmWide, jobWide] = [
      rows.find((row) => row.method === key && row.job === null),
      rows.find((row) => row.method === key && row.job !== null && row.area === null),
    ];
    const word = jobWide ?? firmWide;
    return {
      key,
      title,
      variants: variants.map((variant) => ({ key: variant.key, label: variant.label, why: variant.why })),
      chosen: word?.variant ?? null,
      from: jobWide ? 'job' : firmWide ? 'firm' : 'nobody',
      areas: rows.flatMap((row) =>
        row.method === key && row.area !== null
          ? [{ id: row.area, name: names.get(row.area) ?? '', variant: row.variant }]
          : [],
      ),
    };
  });
}

function rulesOf(job: JobReading): RuleView[] {
  const counts = groupBy(planOf(job)?.links ?? [], (link) => link.rule);
  const decided = groupBy(
    [...tasksOf(job).values()].flatMap(({ state, reason }) =>
      state !== 'done' && reason.kind === 'link' ? [reason.rule] : [],
    ),
    (rule) => rule,
  );
  const off = groupBy(
    switchRows(job).filter((row) => row.holds === 0),
    (row) => row.rule,
  );
  const names = areaNames(job);
  const own = ownRules(job);
  const view = (
    { number, title, reason, strength }: (typeof RULES)[number],
    row: OwnRuleRow | undefined,
  ): RuleView => ({
    number,
    title,
    reason,
    strength,
    links: counts.get(number)?.length ?? 0,
    decides: decided.get(number)?.length ?? 0,
    stays: NEVER_OFF.includes(number),
    off: (off.get(number) ?? []).map((word) => ({
      area: word.area ? { id: word.area, name: names.get(word.area) ?? '' } : null,
      firm: word.job === null,
      reason: word.reason,
    })),
    own: row
      ? {
          id: row.id,
          version: row.version,
          job: row.job,
          before: row.before_phase,
          after: row.after_phase,
          within: row.within,
          kind: row.kind,
          lag: row.lag,
          lagUnit: row.lag_unit,
          strength: row.strength,
          reason: row.reason,
        }
      : null,
  });
  return [
    ...RULES.map((rule) => view(rule, undefined)),
    ...own.map((row) =>
      view(
        { ...ruleOf(row), title: `${phaseFacts(row.before_phase).label} before ${phaseFacts(row.after_phase).label}` },
        row,
      ),
    ),
  ];
}

function gatesOf(job: JobReading): SequenceView['gates'] {
  const [plan, tasks, names] = [planOf(job), tasksOf(job), areaNames(job)];
  return gatesWith(job, ({ area, phase }) => `${names.get(area) ?? ''} · ${phaseFacts(phase).label}`).map((gate) => {
    const task = tasks.get(gateId(gate.id));
    return { ...gate, when: plan && task ? formatSlot(plan.origin, task.start) : '' };
  });
}
