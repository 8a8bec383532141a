import type { RuleView, MethodView, SequenceView, StepView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import type { Link } from '@/core/schedule/network';
import type { PlannedTask } from '@/core/schedule/plan';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { NEVER_OFF, RULES } from '@/core/sequence/rules';
import { METHODS } from '@/core/sequence/methods';
import { taskId } from '@/core/sequence/site';
import { formatSlot } from '@/core/units/slot';
import { today } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { readPlan, type StoredPlan } from '../schedule/read-plan';
import { holdsOf, jobHead } from '../sites/queries';
import { choiceRows, ownRules, ruleOf, type OwnRuleRow } from './knowledge';
import { measuredHalfDays } from './lay-track';
import { logisticsOf } from './logistics';
import type { Rows } from '../database/rows';

type OwnRow = Rows['own_link'] & { before_name: string; after_name: string };

/** A job's order as steps to read, each with what it waits for and why. */
export function sequenceView(installation: Installation, job: string): SequenceView {
  const { db } = installation;
  const plan = readPlan(db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  const steps = queryAll<{ area: string; name: string; phase: Phase }>(
    db,
    `SELECT area.id AS area, area.name, step.phase
      FROM step
      JOIN area ON area.id = step.area
      WHERE area.job = @job
      ORDER BY area.position`,
    { job },
  );
  return {
    job: jobHead(installation, job),
    today: today(installation),
    areas: [...groupBy(steps, (step) => step.area)].map(([id, list]) => ({
      id,
      name: list[0]?.name ?? '',
      steps: list.map((step) => ({ phase: step.phase, label: phaseFacts(step.phase).label })),
    })),
    steps: stepsOf(db, job, plan, tasks),
    own: queryAll<OwnRow>(
      db,
      `SELECT own_link.*, b.name AS before_name, a.name AS after_name
        FROM own_link
        JOIN area b ON b.id = before_area
        JOIN area a ON a.id = after_area
        WHERE own_link.job = @job`,
      { job },
    ).map((row) => ({
      id: row.id,
      before: `${row.before_name} · ${phaseFacts(row.before_phase).label}`,
      after: `${row.after_name} · ${phaseFacts(row.after_phase).label}`,
      reason: row.reason,
      ends: {
        before: { area: row.before_area, phase: row.before_phase },
        after: { area: row.after_area, phase: row.after_phase },
      },
    })),
    exposures: (plan?.exposures ?? [])
      .filter((exposure) => tasks.has(exposure.from))
      .map((exposure) => ({
        label:
          exposure.from === exposure.to
            ? (tasks.get(exposure.from)?.label ?? '')
            : `${tasks.get(exposure.from)?.label ?? ''} to ${tasks.get(exposure.to)?.label ?? ''}`,
        kept: exposure.kept,
        text: exposure.kept
          ? `${exposure.actual} of at most ${exposure.most} worked half-days.`
          : `${exposure.actual} worked half-days, at most ` +
            `${exposure.most}${exposure.rain === undefined ? '' : ', and rain comes meanwhile'}: ` +
            `${exposure.reason}. What would cure it: ${exposure.cure}.`,
      })),
    holds: holdsOf(db, job, today(installation)),
    methods: methodsOf(db, job),
    rules: rulesOf(db, job, plan),
    gates: gatesOf(db, job, plan, tasks),
    logistics: logisticsOf(db, job, plan, today(installation)),
    problem: queryOne<{ message: string }>(db, 'SELECT message FROM plan_problem')?.message ?? null,
  };
}

type TimeRow = Rows['step'];

function stepsOf(
  db: Connection,
  job: string,
  plan: StoredPlan | undefined,
  tasks: ReadonlyMap<string, PlannedTask>,
): StepView[] {
  const into = groupBy(plan?.links ?? [], (link) => link.after);
  const outOf = groupBy(plan?.links ?? [], (link) => link.before);
  const believed = groupBy(
    queryAll<{ task: string; text: string }>(
      db,
      `SELECT area || ':' || phase AS task, text
        FROM assumption
        WHERE job = @job AND state = 'open' AND removed = 0`,
      { job },
    ),
    (row) => row.task,
  );
  const times = new Map(
    queryAll<TimeRow>(db, 'SELECT step.* FROM step JOIN area ON area.id = step.area WHERE area.job = @job', {
      job,
    }).map((row) => [taskId(row.area, row.phase), row]),
  );
  const parts = groupBy(
    queryAll<{ area: string; phase: Phase; label: string; half_days: number }>(
      db,
      `SELECT step_part.*
        FROM step_part
        JOIN area ON area.id = step_part.area
        WHERE area.job = @job
        ORDER BY part`,
      { job },
    ),
    (row) => taskId(row.area, row.phase),
  );
  const open = [...tasks.values()]
    .filter((task) => task.state !== 'done')
    .sort((a, b) => a.start - b.start || a.finish - b.finish || (a.label < b.label ? -1 : 1));
  return open.map((task) => {
    const time = times.get(task.id);
    return {
      task: task.id,
      label: task.label,
      area: task.area,
      phase: task.phase,
      trade: task.trade,
      state: task.state,
      when: plan ? formatSlot(plan.origin, task.start) : '',
      links: (into.get(task.id) ?? []).map((link) => ({
        from: tasks.get(link.before)?.label ?? '',
        rule: link.rule,
        strength: link.strength,
        reason: link.reason,
        lag: lagWords(link),
        done: tasks.get(link.before)?.state === 'done',
      })),
      frees: (outOf.get(task.id) ?? []).flatMap((link) => tasks.get(link.after)?.label ?? []),
      assumptions: (believed.get(task.id) ?? []).map((row) => row.text),
      time: time
        ? {
            halfDays: time.half_days,
            crews: time.crews,
            basis: time.basis,
            measured: measuredHalfDays(db, time.area, time.phase) ?? null,
            parts: (parts.get(task.id) ?? []).map((part) => ({ label: part.label, halfDays: part.half_days })),
            others: time.others,
            othersOn: time.others_on,
          }
        : null,
    };
  });
}

function lagWords(link: Link): string {
  const kind = link.kind === 'SS' ? 'has begun' : link.kind === 'FF' ? 'ends first' : '';
  if (link.lag === 0) return kind;
  return (
    `${kind ? `${kind}, and ` : ''}${link.lag / 2} ${link.lag === 2 ? 'day' : 'days'} ` +
    (link.lagUnit === 'elapsed' ? 'to dry or cure' : 'of making time')
  );
}

function methodsOf(db: Connection, job: string): MethodView[] {
  const rows = choiceRows(db, job);
  const names = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area WHERE job = @job', { job }).map((area) => [
      area.id,
      area.name,
    ]),
  );
  return METHODS.map(({ key, title, variants }) => {
    const [ofFirm, ofJob] = [
      rows.find((row) => row.method === key && row.job === null),
      rows.find((row) => row.method === key && row.job !== null && row.area === null),
    ];
    const word = ofJob ?? ofFirm;
    return {
      key,
      title,
      variants: variants.map((variant) => ({ key: variant.key, label: variant.label, why: variant.why })),
      chosen: word?.variant ?? null,
      from: ofJob ? 'job' : ofFirm ? 'firm' : 'nobody',
      areas: rows.flatMap((row) =>
        row.method === key && row.area !== null
          ? [{ id: row.area, name: names.get(row.area) ?? '', variant: row.variant }]
          : [],
      ),
    };
  });
}

function rulesOf(db: Connection, job: string, plan: StoredPlan | undefined): RuleView[] {
  const counts = groupBy(plan?.links ?? [], (link) => link.rule);
  const off = groupBy(
    queryAll<{ rule: number; job: string | null; area: string | null; area_name: string | null; reason: string }>(
      db,
      `SELECT rule_switch.*, area.name AS area_name FROM rule_switch LEFT JOIN area ON area.id = rule_switch.area
    WHERE holds = 0 AND (rule_switch.job IS NULL OR rule_switch.job = @job)`,
      { job },
    ),
    (row) => row.rule,
  );
  const own = ownRules(db, job);
  const view = (
    { number, title, reason, strength }: (typeof RULES)[number],
    row: OwnRuleRow | undefined,
  ): RuleView => ({
    number,
    title,
    reason,
    strength,
    links: counts.get(number)?.length ?? 0,
    stays: NEVER_OFF.includes(number),
    off: (off.get(number) ?? []).map((word) => ({
      area: word.area ? { id: word.area, name: word.area_name ?? '' } : null,
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

function gatesOf(
  db: Connection,
  job: string,
  plan: StoredPlan | undefined,
  tasks: ReadonlyMap<string, PlannedTask>,
): SequenceView['gates'] {
  const ends = groupBy(
    queryAll<{ gate: string; side: 'before' | 'after'; name: string; phase: Phase }>(
      db,
      `SELECT gate_end.*, area.name
        FROM gate_end
        JOIN gate ON gate.id = gate_end.gate
        JOIN area ON area.id = gate_end.area
        WHERE gate.job = @job
        ORDER BY place`,
      { job },
    ),
    (end) => end.gate,
  );
  const side = (gate: string, which: 'before' | 'after'): string[] =>
    (ends.get(gate) ?? []).flatMap((end) =>
      end.side === which ? [`${end.name} · ${phaseFacts(end.phase).label}`] : [],
    );
  return queryAll<{ id: string; label: string; reason: string; together: 0 | 1 }>(
    db,
    'SELECT * FROM gate WHERE job = @job ORDER BY rowid',
    { job },
  ).map(({ id, label, reason, together }) => {
    const task = tasks.get(`gate:${id}`);
    return {
      id,
      label,
      reason,
      together: together === 1,
      before: side(id, 'before'),
      after: side(id, 'after'),
      when: plan && task ? formatSlot(plan.origin, task.start) : '',
    };
  });
}
