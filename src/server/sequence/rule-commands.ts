import { dropRule, rewriteRule, switchRule, unswitchRule, writeRule } from '@/contract/commands/knowledge';
import { findLoop } from '@/core/schedule/network';
import { loopSentence } from '@/core/schedule/compiled';
import { sequenceOf } from '@/core/sequence/links';
import { phaseFacts } from '@/core/sequence/phases';
import { NEVER_OFF, OWN_RULES, RULES } from '@/core/sequence/rules';
import { taskId } from '@/core/sequence/site';
import { all, insert, one, orNull, run } from '../database/query';
import { handler, needAreaOf, need, type Handler, type Visit } from '../door/handler';
import { notFound, stale, unfit } from '../door/refusal';
import { readSite } from '../schedule/read-site';
import { nextRuleNumber, type OwnRuleRow } from './knowledge';
import { today } from '../zone';

/** The jobs that a word of the firm, or of one job, is about. */
export const jobsOf = (visit: Visit, job?: string | null): string[] =>
  job
    ? [job]
    : all<{ id: string }>(
        visit.db,
        `SELECT id
          FROM job
          WHERE state IN ('scoping', 'booked', 'active', 'completing')
          ORDER BY position, id`,
      ).map((row) => row.id);

/** Refuses an order that would make work wait for itself, naming the ring step by step. */
export function refuseLoop(visit: Visit, job: string, field: string): void {
  const site = readSite(visit.db, job, today(visit.house));
  const { links } = sequenceOf(site);
  const loop = findLoop([...new Set(links.flatMap((link) => [link.before, link.after]))], links);
  if (!loop) return;
  const labels = new Map(
    site.areas.flatMap((area) =>
      area.track.map((step) => [taskId(area.id, step.phase), `${area.name} · ${phaseFacts(step.phase).label}`]),
    ),
  );
  throw unfit('sequence-loop', `${site.name}: ${loopSentence(loop.map((id) => labels.get(id) ?? id))}`, field);
}

/** Every job concerned is looked through for rings, and its plan follows. */
function markJobs(visit: Visit, job: string | null | undefined, cause: string, field: string): void {
  for (const id of jobsOf(visit, job)) {
    refuseLoop(visit, id, field);
    visit.mark(id, cause);
  }
}

function needRule(visit: Visit, id: string, version: number): OwnRuleRow {
  const row = one<OwnRuleRow>(visit.db, 'SELECT * FROM own_rule WHERE id = @id AND removed = 0', { id });
  if (!row) throw notFound('rule', 'id');
  if (row.version !== version) throw stale('rule', row);
  return row;
}

const columns = (rule: {
  before: string;
  after: string;
  within: string;
  kind: string;
  lag: number;
  lagUnit: string;
  strength: string;
  reason: string;
}) => ({
  before_phase: rule.before,
  after_phase: rule.after,
  within: rule.within,
  kind: rule.kind,
  lag: rule.lag,
  lag_unit: rule.lagUnit,
  strength: rule.strength,
  reason: rule.reason,
});
const said = (rule: { before: string; after: string }): string =>
  `${phaseFacts(rule.before as never).label} before ${phaseFacts(rule.after as never).label}`;

export const ruleHandlers: Handler[] = [
  handler(writeRule, (visit, { id, job, ...rule }) => {
    if (job) need(visit, 'job', job, 'job');
    const number = nextRuleNumber(visit.db);
    insert(visit.db, 'own_rule', { number, id, job: orNull(job), ...columns(rule) });
    markJobs(visit, job, `a rule was written: ${said(rule)}`, 'after');
    return { number };
  }),
  handler(rewriteRule, (visit, { id, version, ...rule }) => {
    const row = needRule(visit, id, version);
    const set = columns(rule);
    run(
      visit.db,
      `UPDATE own_rule SET ${Object.keys(set)
        .map((key) => `${key} = @${key}`)
        .join(', ')}, version = version + 1 WHERE id = @id`,
      { id, ...set },
    );
    markJobs(visit, row.job, `a rule was changed: ${said(rule)}`, 'after');
  }),
  handler(dropRule, (visit, { id, version }) => {
    const row = needRule(visit, id, version);
    run(visit.db, 'UPDATE own_rule SET removed = 1, version = version + 1 WHERE id = @id', { id });
    markJobs(visit, row.job, `rule ${row.number} was dropped`, 'id');
  }),
  handler(switchRule, (visit, { id, rule, job, area, holds, reason }) => {
    const known =
      rule >= OWN_RULES
        ? one(visit.db, 'SELECT 1 FROM own_rule WHERE number = @rule AND removed = 0', { rule })
        : RULES.find((one_) => one_.number === rule);
    if (!known) throw notFound('rule', 'rule');
    if (!holds && NEVER_OFF.includes(rule))
      throw unfit(
        'rule-stays',
        'This rule keeps people alive or is the law’s: it cannot be switched off. Whoever is licensed to decide ' +
          'otherwise releases the hold it makes.',
        'rule',
      );
    if (job) need(visit, 'job', job, 'job');
    if (job && area) needAreaOf(visit, job, area);
    run(visit.db, `DELETE FROM rule_switch WHERE rule = @rule AND job IS @job AND area IS @area`, {
      rule,
      job: orNull(job),
      area: orNull(area),
    });
    insert(visit.db, 'rule_switch', { id, rule, job: orNull(job), area: orNull(area), holds: holds ? 1 : 0, reason });
    markJobs(visit, job, `rule ${rule} was switched ${holds ? 'on' : 'off'}: ${reason}`, 'rule');
  }),
  handler(unswitchRule, (visit, { rule, job, area }) => {
    if (
      run(visit.db, 'DELETE FROM rule_switch WHERE rule = @rule AND job IS @job AND area IS @area', {
        rule,
        job: orNull(job),
        area: orNull(area),
      }) === 0
    )
      throw notFound('word on this rule', 'rule');
    markJobs(visit, job, `rule ${rule} counts as it does elsewhere`, 'rule');
  }),
];
