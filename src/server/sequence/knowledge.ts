import { OWN_RULES, RULES, SCHOOL, type Rule } from '@/core/sequence/rules';
import { SCHOOL_KEYS, sidesOf, type Choices, type SchoolKey } from '@/core/sequence/schools';
import type { Phase } from '@/core/sequence/phases';
import type { Site } from '@/core/sequence/site';
import { all } from '../database/query';
import type { Connection } from '../database/open';

export interface OwnRuleRow {
  number: number;
  id: string;
  job: string | null;
  before_phase: Phase;
  after_phase: Phase;
  within: 'area' | 'beside' | 'route' | 'job';
  kind: 'FS' | 'SS' | 'FF';
  lag: number;
  lag_unit: 'work' | 'elapsed';
  strength: 'hard' | 'soft';
  reason: string;
  version: number;
}

export const ownRules = (db: Connection, job: string): OwnRuleRow[] => all<OwnRuleRow>(db, 'SELECT * FROM own_rule WHERE removed = 0 AND (job IS NULL OR job = @job) ORDER BY number', { job });

export const ruleOf = (row: OwnRuleRow): Rule => ({
  number: row.number, strength: row.strength, title: row.job ? 'Of this job' : 'Of the firm', reason: row.reason,
  effects: [{ form: 'order', before: [row.before_phase], after: [row.after_phase], within: row.within, kind: row.kind, ...(row.lag > 0 ? { lag: { halfDays: row.lag, unit: row.lag_unit } } : {}) }],
});

interface ChoiceRow {
  school: SchoolKey;
  job: string | null;
  area: string | null;
  side: string | null;
}

/** What was picked at each place that has a word, the widest first. */
export const choiceRows = (db: Connection, job: string): ChoiceRow[] => all<ChoiceRow>(db, 'SELECT school, job, area, side FROM school_choice WHERE job IS NULL OR job = @job ORDER BY job IS NOT NULL, area IS NOT NULL', { job });

/** The sides that count in an area (or in the job, without one): the narrowest word. */
export function choicesIn(rows: readonly ChoiceRow[], area?: string): Choices {
  const words = new Map(rows.filter((row) => row.area === null || row.area === area).map((row) => [row.school, row.side]));
  return Object.fromEntries([...words].filter(([, side]) => side !== null));
}

export const choicesFor = (db: Connection, job: string, area?: string): Choices => choicesIn(choiceRows(db, job), area);

/** What the sequence of a job is made from besides its tracks. @param areas ids of its areas */
export function knowledgeOf(db: Connection, job: string, areas: readonly string[]): Required<Pick<Site, 'rules' | 'switches' | 'parted'>> {
  const rows = choiceRows(db, job);
  const parted = new Set<string>();
  const schools = new Map<string, { rule: Rule; only: Set<string> }>();
  for (const area of areas) {
    for (const { school, side } of sidesOf(choicesIn(rows, area))) {
      for (const [before, after] of side.parts ?? []) parted.add(`${area}:${before}>${after}`);
      if (!side.order) continue;
      const key = `${school.key} ${side.key}`;
      const known = schools.get(key) ?? { only: new Set<string>(), rule: { number: SCHOOL + SCHOOL_KEYS.indexOf(school.key), strength: 'hard', title: school.title, reason: `so it was chosen: ${side.label}`, effects: side.order } };
      known.only.add(area);
      schools.set(key, known);
    }
  }
  const switches = all<{ rule: number; area: string | null; holds: 0 | 1 }>(db, 'SELECT rule, area, holds FROM rule_switch WHERE job IS NULL OR job = @job ORDER BY job IS NULL', { job });
  return {
    rules: [...RULES, ...[...schools.values()].map(({ rule, only }) => ({ ...rule, only })), ...ownRules(db, job).map(ruleOf)],
    switches: switches.map(({ rule, area, holds }) => ({ rule, holds: holds === 1, ...(area === null ? {} : { area }) })),
    parted,
  };
}

export const nextRuleNumber = (db: Connection): number => Math.max(OWN_RULES, (all<{ number: number | null }>(db, 'SELECT max(number) AS number FROM own_rule')[0]?.number ?? OWN_RULES - 1) + 1);
