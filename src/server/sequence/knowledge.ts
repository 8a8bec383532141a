import { OWN_RULES, RULES, type Rule } from '@/core/sequence/rules';
import { methodRules, type Choices } from '@/core/sequence/methods';
import type { Site } from '@/core/sequence/site';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

export type OwnRuleRow = Rows['own_rule'];

export const ownRules = (db: Connection, job: string): OwnRuleRow[] =>
  queryAll<OwnRuleRow>(db, 'SELECT * FROM own_rule WHERE removed = 0 AND (job IS NULL OR job = @job) ORDER BY number', {
    job,
  });

export const ruleOf = (row: OwnRuleRow): Rule => ({
  number: row.number,
  strength: row.strength,
  title: row.job ? 'Of this job' : 'Of the firm',
  reason: row.reason,
  effects: [
    {
      form: 'order',
      before: [row.before_phase],
      after: [row.after_phase],
      within: row.within,
      kind: row.kind,
      ...(row.lag > 0 ? { lag: { halfDays: row.lag, unit: row.lag_unit } } : {}),
    },
  ],
});

type ChoiceRow = Pick<Rows['method_choice'], 'method' | 'job' | 'area' | 'variant'>;

/** What was picked at each place that has a word, the widest first. */
export const choiceRows = (db: Connection, job: string): ChoiceRow[] =>
  queryAll<ChoiceRow>(
    db,
    `SELECT method, job, area, variant
      FROM method_choice
      WHERE job IS NULL OR job = @job
      ORDER BY job IS NOT NULL, area IS NOT NULL`,
    { job },
  );

/** The variants that count in an area (or in the job, without one): the narrowest word. */
function choicesIn(rows: readonly ChoiceRow[], area?: string): Choices {
  const words = new Map(
    rows.filter((row) => row.area === null || row.area === area).map((row) => [row.method, row.variant]),
  );
  return Object.fromEntries([...words].filter(([, variant]) => variant !== null));
}

export const choicesFor = (db: Connection, job: string, area?: string): Choices => choicesIn(choiceRows(db, job), area);

/** What the sequence of a job is made from besides its tracks. @param areas ids of its areas */
export function knowledgeOf(
  db: Connection,
  job: string,
  areas: readonly string[],
): Required<Pick<Site, 'rules' | 'switches' | 'parted'>> {
  const rows = choiceRows(db, job);
  const { rules, parted } = methodRules(areas, (area) => choicesIn(rows, area));
  const switches = queryAll<{ rule: number; area: string | null; holds: 0 | 1 }>(
    db,
    'SELECT rule, area, holds FROM rule_switch WHERE job IS NULL OR job = @job ORDER BY job IS NULL',
    { job },
  );
  return {
    rules: [...RULES, ...rules, ...ownRules(db, job).map(ruleOf)],
    switches: switches.map(({ rule, area, holds }) => ({
      rule,
      holds: holds === 1,
      ...(area === null ? {} : { area }),
    })),
    parted,
  };
}

export const nextRuleNumber = (db: Connection): number =>
  Math.max(
    OWN_RULES,
    (queryAll<{ number: number | null }>(db, 'SELECT max(number) AS number FROM own_rule')[0]?.number ??
      OWN_RULES - 1) + 1,
  );
