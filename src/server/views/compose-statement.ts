import { daysOf } from '@/core/words/count';
import { routes } from '@/contract/routes';
import { lineText } from '@/core/scope/brief';
import { FINDING_KINDS, type FindingKind } from '@/core/scope/finding';
import { householdLines } from '@/core/scope/household';
import type { Statement, StatementLine } from '@/core/scope/statement';
import type { FindingView } from '@/contract/views/scope';
import type { ScopeView } from '@/contract/views/job';
import { formatDay } from '@/core/units/day';
import { workFacts, type Work } from '@/core/sequence/works';
import { paymentAmounts } from '@/core/money/payments';
import { wholePrice } from '@/core/money/price';
import { leadWords } from '@/core/selections/lead-words';
import { selectionsOf } from './selection';
import { firmRow } from '../reading/firm';
import { areaNames, areaRows, areasUpward, jobRow } from '../reading/job';
import { currencyOfFirm, paymentSteps } from '../reading/money';
import { finishDay } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { changeRows, optionRows } from '../reading/scope';
import { siteOf } from '../reading/site';
import { changePrice } from './changes';
import { paymentLines, pricesOf, type Prices } from './statement-prices';
import { assumptionsOf, findingsOf, scopeOf } from './scope-parts';

const IN_AREA: readonly FindingKind[] = ['damage', 'penetration', 'service', 'refit', 'salvage'];
const ON_GROUND: readonly FindingKind[] = ['access', 'neighbour', 'boundary', 'animals', 'parking', 'approval'];

const number = (value: number): string => String(Math.round(value * 100) / 100);

function lineOf(item: ScopeView, prices: Prices): StatementLine {
  const more = prices.ifFound(`scope ${item.id}`);
  return {
    key: `scope ${item.id}`,
    stance: item.stance,
    text: lineText(item),
    ...(item.dependsOn
      ? { note: `depends on ${item.dependsOn}${more ? `; then ${more} more` : ''}` }
      : item.change
        ? { note: 'by a change that was approved' }
        : {}),
    ...prices.ofLine(`scope ${item.id}`),
  };
}

/** Damage says what is in the price and what more would cost, everything included. */
function findingLine(finding: FindingView, prices: Prices): StatementLine {
  const { kind, allowed, unitPrice, unit } = finding;
  const each = unit ? `a ${unit.replace(/s$/, '')}` : 'each';
  const extra = unitPrice === null ? 'more is extra' : `more is extra at ${prices.whole(unitPrice)} ${each}`;
  const more = kind === 'damage' && allowed !== null ? `${number(allowed)} ${unit} allowed for; ${extra}` : '';
  return {
    key: `finding ${finding.id}`,
    text: `${kind === 'damage' ? 'repair ' : ''}${finding.text}`,
    ...(kind === 'refit'
      ? { stance: 'refit' }
      : kind === 'service'
        ? finding.live === false
          ? { stance: 'in' }
          : { stance: 'keep-live' }
        : kind === 'salvage'
          ? { stance: 'refit' }
          : { stance: 'in' }),
    ...(more
      ? { note: more }
      : kind === 'penetration' || kind === 'salvage'
        ? { note: FINDING_KINDS[kind].label }
        : {}),
    ...prices.ofLine(`finding ${finding.id}`),
  };
}

/** What the job stands for today, as its client would read it. */
export function composeStatement(job: JobReading): Statement {
  const now = job.firm.today;
  const row = jobRow(job);
  const [lines, findings] = [scopeOf(job), findingsOf(job)];
  const finish = finishDay(job);
  const prices = pricesOf(job);
  const changes = changeRows(job)
    .filter((change) => change.state === 'approved')
    .reverse();
  return {
    job: { name: row.name, address: row.address, client: row.client },
    firm: firmRow(job.firm)?.name ?? '',
    day: now,
    areas: areasUpward(job)
      .map(({ id, name, level_name, side }) => ({
        id,
        name,
        place: [level_name ?? 'outside', side].filter(Boolean).join(', '),
        lines: [
          ...lines.filter((item) => item.areaId === id).map((item) => lineOf(item, prices)),
          ...findings
            .filter((finding) => finding.area === id && IN_AREA.includes(finding.kind))
            .map((finding) => findingLine(finding, prices)),
        ],
      }))
      .filter((area) => area.lines.length > 0),
    depends: assumptionsOf(job).map((assumption) => ({
      key: `assumption ${assumption.id}`,
      stance: 'conditional',
      text: `${assumption.area}: we assume that ${assumption.text}${assumption.why ? ` (${assumption.why})` : ''}`,
      note:
        assumption.state === 'held'
          ? 'seen: it is so'
          : assumption.state === 'wrong'
            ? `seen: it is not so${assumption.found ? `, ${assumption.found}` : ''}; ${assumption.fallback} is added`
            : `shown when we ${assumption.shownBy === 'strip' ? 'strip' : `come to: ${assumption.shownBy}`}; if ` +
              `not: ${assumption.fallback}, ${halfDayWords(assumption.fallbackHalfDays)} more`,
      ...(assumption.fallbackPrice > 0 ? { amount: wholePrice(assumption.fallbackPrice, prices.terms) } : {}),
    })),
    allowances: findings
      .filter((finding) => finding.kind === 'allowance')
      .map((finding) => ({
        key: `finding ${finding.id}`,
        text: `${finding.areaName ? `${finding.areaName}: ` : ''}${finding.text}`,
        ...prices.ofAllowance(`finding ${finding.id}`),
      })),
    selections: selectionsOf(job).map((item) => ({
      key: `selection ${item.id}`,
      text:
        `${item.area}: ` +
        `${item.category}${item.choice ? `, ${item.choice}` : ', not chosen yet'}${item.code ? ` (${item.code})` : ''}`,
      note: [
        item.leadHigh > 0 ? `takes ${leadWords(item.leadLow, item.leadHigh)} to come` : '',
        item.state === 'open' && item.decideBy ? `please choose by ${formatDay(item.decideBy, now)}` : '',
        item.state !== 'open' && item.expectedOn ? `comes ${formatDay(item.expectedOn, now)}` : '',
      ]
        .filter(Boolean)
        .join('; '),
    })),
    household: householdLines(siteOf(job)),
    ground: findings
      .filter((finding) => ON_GROUND.includes(finding.kind))
      .map((finding) => ({
        key: `finding ${finding.id}`,
        text: `${finding.areaName ? `${finding.areaName}: ` : ''}${finding.text}`,
        note: FINDING_KINDS[finding.kind].label,
      })),
    siteChoices: findings
      .filter((finding) => finding.kind === 'site-choice')
      .map((finding) => ({
        key: `finding ${finding.id}`,
        text: `${finding.areaName ? `${finding.areaName}: ` : ''}${finding.text}`,
      })),
    changes: changes.map((change) => ({
      key: `change ${change.id}`,
      text: `${change.number}. ${change.title}`,
      note: `approved by ${change.answered_by ?? ''}`,
      amount: changePrice(job, change).total,
    })),
    unwritten: unwrittenAreas(job),
    payments: paymentLines(job, prices),
    sums: prices.sums,
    currency: prices.terms.currency,
    dates: [
      { key: 'start', text: `The work begins on ${formatDay(row.start_day, now)} at the earliest.` },
      ...(finish ? [{ key: 'finish', text: `By today’s plan it ends on ${formatDay(finish, now)}.` }] : []),
      ...(row.promise_day ? [{ key: 'promise', text: `Promised for ${formatDay(row.promise_day, now)}.` }] : []),
    ],
  };
}

const halfDayWords = (halfDays: number): string => (halfDays === 0 ? 'no day' : daysOf(halfDays));

/** Rooms in which work is planned and of which no line is written: a client must not take them for priced. */
const unwrittenAreas = (job: JobReading): StatementLine[] =>
  areasUpward(job).flatMap(({ id, name, works }) => {
    const planned = (JSON.parse(works) as Work[]).filter((work) => work !== 'none');
    return planned.length === 0 || scopeOf(job).some((item) => item.areaId === id)
      ? []
      : [
          {
            key: `unwritten ${id}`,
            text: `${name}: ${planned.map((work) => workFacts(work).label).join(', ')}`,
            note: 'its lines are not written yet, and it is in no price',
          },
        ];
  });

/** A price that is not whole: a client who agrees to it agrees to a sum that will grow. */
function unpricedGap(job: JobReading): { text: string; path: string }[] {
  const sums = pricesOf(job).sums;
  if (!sums) return [{ text: 'Nothing has a price yet, so the statement holds no sum.', path: routes.prices(job.id) }];
  return [
    ...(sums.unpriced > 0
      ? [
          {
            text: `${sums.unpriced === 1 ? 'One line has' : `${sums.unpriced} lines have`} no price: the sum is without.`,
            path: routes.prices(job.id),
          },
        ]
      : []),
    ...(currencyOfFirm(job.firm).code === ''
      ? [{ text: 'The firm has no currency yet: the sums would stand without one.', path: routes.settings() }]
      : []),
    ...paymentGap(job, sums.total),
  ];
}

/** In which parts it is paid has to be said, and they have to make up the price. */
function paymentGap(job: JobReading, total: number): { text: string; path: string }[] {
  const steps = paymentSteps(job);
  const amounts = paymentAmounts(steps, total, currencyOfFirm(job.firm));
  const text =
    steps.length === 0 ? 'It is not said when the price is paid.' : amounts.ok ? '' : amounts.problem.message;
  return text === '' ? [] : [{ text, path: routes.money(job.id) }];
}

/** What a statement still lacks before a client should read it, each with where it is put right. */
export function statementGaps(job: JobReading): { text: string; path: string }[] {
  const scope = routes.scope(job.id);
  const lines = scopeOf(job);
  const areas = areaRows(job);
  const names = areaNames(job);
  const { client, address } = jobRow(job);
  return [
    ...(client.trim() === ''
      ? [{ text: 'Who the client is: their name is missing.', path: routes.areas(job.id) }]
      : []),
    ...(address.trim() === '' ? [{ text: 'Where it is: the address is missing.', path: routes.areas(job.id) }] : []),
    ...unpricedGap(job),
    ...lines
      .filter((line) => line.measure !== null && line.quantity === null)
      .map((line) => ({
        text:
          `${names.get(line.areaId) ?? ''}: ${line.verb} ${line.subject}: what it followed is no longer drawn. ` +
          'Draw it, or say how much.',
        path: scope,
      })),
    ...areas
      .filter((area) => !lines.some((line) => line.areaId === area.id))
      .map((area) => ({
        text: `${area.name}: no scope written yet. Write at least what is not included.`,
        path: `${scope}/visit?area=${area.id}`,
      })),
    ...areas
      .filter((area) => area.works === '[]' && lines.some((line) => line.areaId === area.id && line.stance === 'in'))
      .map((area) => ({
        text: `${area.name}: there is work in it, but none was chosen to be planned.`,
        path: routes.areas(job.id),
      })),
    ...lines
      .filter((line) => line.stance === 'conditional' && !line.dependsOn)
      .map((line) => ({ text: `${line.verb} ${line.subject}: what it depends on is not said.`, path: scope })),
    ...findingsOf(job).flatMap((finding) =>
      finding.gap
        ? [
            {
              text: `${finding.areaName ? `${finding.areaName}: ` : ''}${finding.subject}: ${finding.gap}.`,
              path: finding.area ? `${scope}/visit?area=${finding.area}` : scope,
            },
          ]
        : [],
    ),
    ...optionRows(job)
      .filter((set) => set.chosen === null)
      .map((set) => ({
        text: `${names.get(set.area) ?? ''}: ${set.subject} is not decided.`,
        path: `${scope}/options`,
      })),
  ];
}
