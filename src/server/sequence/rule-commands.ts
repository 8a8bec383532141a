import type { Cause } from '@/core/schedule/cause';
import { findLoop, type Link } from '@/core/schedule/network';
import { loopSentence } from '@/core/schedule/compiled';
import { FORBIDDEN } from '@/core/sequence/forbidden';
import { sequenceOf, type Sequence } from '@/core/sequence/links';
import { phaseFacts } from '@/core/sequence/phases';
import { NEVER, NEVER_OFF, OWN_RULES, RULES } from '@/core/sequence/rules';
import type { Site } from '@/core/sequence/site';
import { tasksOf } from '@/core/sequence/tasks';
import { sayWork } from '@/core/words/work';
import type { Payload } from '@/contract/commands';
import { queryAll, insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireAreaOf, requireRow, type CommandContext, type PlanContext } from '../door/handler';
import { notFound, conflict, unprocessable } from '../refusal';
import { readJob } from '../reading/reading';
import { siteOf } from '../reading/site';
import type { OwnRuleRow } from '../reading/knowledge';

/** The jobs that a word of the firm, or of one job, is about. */
export const jobsOf = (context: CommandContext, job?: string | null): string[] =>
  job
    ? [job]
    : queryAll<{ id: string }>(
        context.db,
        `SELECT id
          FROM job
          WHERE removed = 0 AND state IN ('scoping', 'booked', 'active', 'completing')
          ORDER BY position, id`,
      ).map((row) => row.id);

/** What each task of a job is called. */
function namesIn(site: Site, { added }: Sequence): ReadonlyMap<string, string> {
  const tasks = tasksOf(site, added, { origin: site.startDay, now: 0, crewFor: () => null });
  return new Map(tasks.map((task) => [task.id, sayWork(task.work)]));
}

/** Refuses an order that would make work wait for itself, naming the ring step by step, each with its reason. */
export function refuseLoop(context: CommandContext, job: string, field: string): void {
  const site = siteOf(readJob(context.installation, job));
  const sequence = sequenceOf(site);
  const { links } = sequence;
  const loop = findLoop([...new Set(links.flatMap((link) => [link.before, link.after]))], links);
  if (!loop) return;
  const names = namesIn(site, sequence);
  const name = (id: string): string => names.get(id) ?? id;
  const steps = loop.map((before, index) => {
    const after = loop[(index + 1) % loop.length] ?? before;
    const link = links.find((one) => one.before === before && one.after === after);
    return `${name(before)} comes before ${name(after)}: ${link?.reason ?? ''}.`;
  });
  throw unprocessable('sequence-loop', `${site.name}: ${loopSentence(loop.map(name))} ${steps.join(' ')}`, field);
}

/** Refuses to let go of a rule without which an order could come out that nobody accepts. */
function refuseUnguarded(context: CommandContext, jobs: readonly string[], before: ReadonlySet<string>): void {
  for (const job of jobs) {
    const site = siteOf(readJob(context.installation, job));
    const sequence = sequenceOf(site);
    const guard = guardsIn(sequence).find((link) => !before.has(guardKey(link)));
    if (!guard) continue;
    const names = namesIn(site, sequence);
    throw unprocessable(
      'never-so',
      `${site.name}: without this rule ${names.get(guard.after) ?? ''} could come before ` +
        `${names.get(guard.before) ?? ''}, and that is never right: ${guard.reason}.`,
      'rule',
    );
  }
}

const guardsIn = ({ links }: Sequence): Link[] => links.filter((link) => link.rule === NEVER.number);
const guardKey = ({ before, after }: Pick<Link, 'before' | 'after'>): string => `${before}>${after}`;

/** Refuses a rule that asks for what nobody accepts, wherever it would hold. */
function refuseForbidden({ before, after, within, strength }: Omit<Payload<'rule.write'>, 'id' | 'job'>): void {
  if (strength === 'soft') return;
  const pair = FORBIDDEN.find(
    ({ step, before: late, where }) => where === 'here' && step === before && late === after && within !== 'route',
  );
  if (pair)
    throw unprocessable(
      'never-so',
      `${phaseFacts(before).label} never comes before ${phaseFacts(after).label}: ${pair.why}.`,
      'after',
    );
}

/** Every job concerned is looked through for rings, and its plan follows. */
function markJobs(context: PlanContext, job: string | null | undefined, cause: Cause, field: string): void {
  const jobs = jobsOf(context, job);
  for (const id of jobs) refuseLoop(context, id, field);
  context.replanAll(jobs, cause);
}

function needRule(context: CommandContext, id: string, version: number): OwnRuleRow {
  const row = queryOne<OwnRuleRow>(context.db, 'SELECT * FROM own_rule WHERE id = @id AND removed = 0', { id });
  if (!row) throw notFound('rule', 'id');
  if (row.version !== version) throw conflict('rule', row);
  return row;
}

const columns = (rule: Omit<Payload<'rule.write'>, 'id' | 'job'>) => ({
  before_phase: rule.before,
  after_phase: rule.after,
  within: rule.within,
  kind: rule.kind,
  lag: rule.lag,
  lag_unit: rule.lagUnit,
  strength: rule.strength,
  reason: rule.reason,
});

export const ruleHandlers = handlers({
  'rule.write': (context, { id, job, ...rule }) => {
    refuseForbidden(rule);
    if (job) requireRow(context, 'job', job, 'job');
    const last = queryOne<{ number: number | null }>(context.db, 'SELECT max(number) AS number FROM own_rule')?.number;
    const number = Math.max(OWN_RULES, (last ?? OWN_RULES - 1) + 1);
    insert(context.db, 'own_rule', { number, id, job: orNull(job), ...columns(rule) });
    markJobs(
      context,
      job,
      { kind: 'rule', what: 'written', rule: number, before: rule.before, after: rule.after },
      'after',
    );
    return { number };
  },
  'rule.rewrite': (context, { id, version, ...rule }) => {
    const row = needRule(context, id, version);
    refuseForbidden(rule);
    const set = columns(rule);
    execute(
      context.db,
      `UPDATE own_rule SET ${Object.keys(set)
        .map((key) => `${key} = @${key}`)
        .join(', ')}, version = version + 1 WHERE id = @id`,
      { id, ...set },
    );
    markJobs(
      context,
      row.job,
      { kind: 'rule', what: 'changed', rule: row.number, before: rule.before, after: rule.after },
      'after',
    );
  },
  'rule.drop': (context, { id, version }) => {
    const row = needRule(context, id, version);
    execute(context.db, 'UPDATE own_rule SET removed = 1, version = version + 1 WHERE id = @id', { id });
    markJobs(
      context,
      row.job,
      { kind: 'rule', what: 'dropped', rule: row.number, before: row.before_phase, after: row.after_phase },
      'id',
    );
  },
  'rule.switch': (context, { id, rule, job, area, holds, reason }) => {
    const known =
      rule >= OWN_RULES
        ? queryOne(context.db, 'SELECT 1 FROM own_rule WHERE number = @rule AND removed = 0', { rule })
        : RULES.find((entry) => entry.number === rule);
    if (!known) throw notFound('rule', 'rule');
    if (!holds && NEVER_OFF.includes(rule))
      throw unprocessable(
        'rule-stays',
        'This rule keeps people alive or is the law’s: it cannot be switched off. Whoever is licensed to decide ' +
          'otherwise releases the hold it makes.',
        'rule',
      );
    if (job) requireRow(context, 'job', job, 'job');
    if (job && area) requireAreaOf(context, job, area);
    const guarded = new Set(
      jobsOf(context, job).flatMap((one) =>
        guardsIn(sequenceOf(siteOf(readJob(context.installation, one)))).map(guardKey),
      ),
    );
    execute(context.db, `DELETE FROM rule_switch WHERE rule = @rule AND job IS @job AND area IS @area`, {
      rule,
      job: orNull(job),
      area: orNull(area),
    });
    insert(context.db, 'rule_switch', { id, rule, job: orNull(job), area: orNull(area), holds: holds ? 1 : 0, reason });
    if (!holds) refuseUnguarded(context, jobsOf(context, job), guarded);
    markJobs(context, job, { kind: 'switch', rule, what: holds ? 'on' : 'off', why: reason }, 'rule');
  },
  'rule.unswitch': (context, { rule, job, area }) => {
    if (
      execute(context.db, 'DELETE FROM rule_switch WHERE rule = @rule AND job IS @job AND area IS @area', {
        rule,
        job: orNull(job),
        area: orNull(area),
      }) === 0
    )
      throw notFound('word on this rule', 'rule');
    markJobs(context, job, { kind: 'switch', rule, what: 'as-elsewhere', why: '' }, 'rule');
  },
});
