import type { SequenceView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import type { Link } from '@/core/schedule/network';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { RULES } from '@/core/sequence/rules';
import { formatSlot } from '@/core/units/slot';
import { today } from '../clock';
import { all, one } from '../database/query';
import type { House } from '../house';
import { readPlan } from '../schedule/read-plan';
import { holdsOf, jobHead } from '../sites/queries';

interface OwnRow {
  id: string;
  before_name: string;
  before_area: string;
  before_phase: Phase;
  after_area: string;
  after_name: string;
  after_phase: Phase;
  reason: string;
}

/** A job's order as steps to read, each with what it waits for and why. */
export function sequenceView(house: House, job: string): SequenceView {
  const { db } = house;
  const plan = readPlan(db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  const into = groupBy(plan?.links ?? [], (link) => link.after);
  const counts = groupBy(plan?.links ?? [], (link) => link.rule);
  const open = [...tasks.values()].filter((task) => task.state !== 'done').sort((a, b) => a.start - b.start || a.finish - b.finish || (a.label < b.label ? -1 : 1));
  const believed = all<{ task: string; text: string }>(db, `SELECT area || ':' || phase AS task, text FROM assumption WHERE job = @job AND state = 'open' AND removed = 0`, { job });
  const steps = all<{ area: string; name: string; phase: Phase }>(db, 'SELECT area.id AS area, area.name, step.phase FROM step JOIN area ON area.id = step.area WHERE area.job = @job ORDER BY area.position', { job });
  return {
    job: jobHead(house, job),
    areas: [...groupBy(steps, (step) => step.area)].map(([id, list]) => ({ id, name: list[0]?.name ?? '', steps: list.map((step) => ({ phase: step.phase, label: phaseFacts(step.phase).label })) })),
    steps: open.map((task) => ({
      task: task.id, label: task.label, area: task.area, trade: task.trade, state: task.state,
      when: plan ? formatSlot(plan.origin, task.start) : '',
      links: (into.get(task.id) ?? []).map((link) => ({ from: tasks.get(link.before)?.label ?? '', rule: link.rule, strength: link.strength, reason: link.reason, lag: lagWords(link), done: tasks.get(link.before)?.state === 'done' })),
      assumptions: believed.filter((one_) => one_.task === task.id).map((one_) => one_.text),
    })),
    own: all<OwnRow>(db, `SELECT own_link.*, b.name AS before_name, a.name AS after_name FROM own_link JOIN area b ON b.id = before_area JOIN area a ON a.id = after_area WHERE own_link.job = @job`, { job })
      .map((row) => ({ id: row.id, before: `${row.before_name} · ${phaseFacts(row.before_phase).label}`, after: `${row.after_name} · ${phaseFacts(row.after_phase).label}`, reason: row.reason, ends: { before: { area: row.before_area, phase: row.before_phase }, after: { area: row.after_area, phase: row.after_phase } } })),
    exposures: (plan?.exposures ?? []).filter((exposure) => tasks.has(exposure.from)).map((exposure) => ({
      label: `${tasks.get(exposure.from)?.label ?? ''} to ${tasks.get(exposure.to)?.label ?? ''}`, kept: exposure.kept,
      text: exposure.kept ? `${exposure.actual} of at most ${exposure.most} worked half-days.` : `${exposure.actual} worked half-days, more than ${exposure.most}: ${exposure.reason}. What would cure it: ${exposure.cure}.`,
    })),
    holds: holdsOf(db, job, today(house.clock)),
    rules: RULES.map(({ number, title, reason, strength }) => ({ number, title, reason, strength, links: counts.get(number)?.length ?? 0 })),
    problem: one<{ message: string }>(db, 'SELECT message FROM plan_problem')?.message ?? null,
  };
}

function lagWords(link: Link): string {
  if (link.lag === 0) return '';
  return `${link.lag / 2} ${link.lag === 2 ? 'day' : 'days'} ${link.lagUnit === 'elapsed' ? 'to dry or cure' : 'of making time'}`;
}
