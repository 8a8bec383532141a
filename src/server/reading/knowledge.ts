import { RULES, type Rule } from '@/core/sequence/rules';
import { methodRules, type Choices } from '@/core/sequence/methods';
import type { Site } from '@/core/sequence/site';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { areaRows } from './job';
import { ofFirm, ofJob, type JobReading } from './reading';

export type OwnRuleRow = Rows['own_rule'];

const allOwnRules = ofFirm(({ db }) =>
  queryAll<OwnRuleRow>(db, 'SELECT * FROM own_rule WHERE removed = 0 ORDER BY number'),
);

/** Rules of the firm's own and of this job's own. */
export const ownRules = ofJob((job) =>
  allOwnRules(job.firm).filter((rule) => rule.job === null || rule.job === job.id),
);

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

const allChoices = ofFirm(({ db }) =>
  queryAll<ChoiceRow>(
    db,
    'SELECT method, job, area, variant FROM method_choice ORDER BY job IS NOT NULL, area IS NOT NULL',
  ),
);

/** What was picked at each place that has a word, the widest first. */
export const choiceRows = ofJob((job) => allChoices(job.firm).filter((row) => row.job === null || row.job === job.id));

const allSwitches = ofFirm(({ db }) =>
  queryAll<Rows['rule_switch']>(db, 'SELECT * FROM rule_switch ORDER BY job IS NULL'),
);

/** Where rules are switched in this job, its own words before the firm's. */
export const switchRows = ofJob((job) => allSwitches(job.firm).filter((row) => row.job === null || row.job === job.id));

/** The variants that count in an area (or in the job, without one): the narrowest word. */
function choicesIn(rows: readonly ChoiceRow[], area?: string): Choices {
  const words = new Map(
    rows.filter((row) => row.area === null || row.area === area).map((row) => [row.method, row.variant]),
  );
  return Object.fromEntries([...words].filter(([, variant]) => variant !== null));
}

export const choicesFor = (job: JobReading, area?: string): Choices => choicesIn(choiceRows(job), area);

/** What the sequence of a job is made from besides its tracks. */
export const knowledgeOf = ofJob((job): Required<Pick<Site, 'rules' | 'switches' | 'parted'>> => {
  const { rules, parted } = methodRules(
    areaRows(job).map(({ id }) => id),
    (area) => choicesIn(choiceRows(job), area),
  );
  return {
    rules: [...RULES, ...rules, ...ownRules(job).map(ruleOf)],
    switches: switchRows(job).map(({ rule, area, holds }) => ({
      rule,
      holds: holds === 1,
      ...(area === null ? {} : { area }),
    })),
    parted,
  };
});
