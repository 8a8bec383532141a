import { formatDay, type Day } from '@/core/units/day';
import type { ScopeView } from '@/contract/views/job';
import type { AssumptionView, DecisionView, ExtraView, FindingView, ScopeCounts } from '@/contract/views/scope';
import type { BearingSign } from '@/core/scope/bearing-signs';
import {
  briefOf,
  byTrade,
  findingInBrief,
  lineText,
  type Brief,
  type BriefLine,
  type ScopeWords,
} from '@/core/scope/brief';
import { whoseThing } from '@/core/scope/whose';
import type { Statement } from '@/core/scope/statement';
import { groupBy } from '@/core/group-by';
import type { Trade } from '@/core/sequence/trades';
import { findingGap, findingText, type Finding } from '@/core/scope/finding';
import { phaseFacts } from '@/core/sequence/phases';
import { extraId, taskId } from '@/core/sequence/site';
import { dayOfSlot, formatSlot } from '@/core/units/slot';
import { personNames } from '../reading/firm';
import { areaNames } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import {
  assumptionRows,
  changeRows,
  decisionRows,
  extraRows,
  findingRows,
  optionRows,
  scopeRows,
} from '../reading/scope';
import { statementRows } from '../reading/statements';
import { whenSeen } from '../words';

/** What the client has agreed to of each line, by its key in the statement; undefined where nothing is agreed yet. */
const agreedTexts = ofJob((job): ReadonlyMap<string, string> | undefined => {
  const agreed = statementRows(job).find((row) => row.state === 'agreed');
  if (!agreed) return undefined;
  const { areas } = JSON.parse(agreed.content) as Statement;
  return new Map(areas.flatMap(({ lines }) => lines.map(({ key, text }) => [key, text] as const)));
});

/** How a line stands to what was agreed to: as it was, said otherwise since, or added since. */
function againstAgreed(agreed: ReadonlyMap<string, string> | undefined, id: string, text: string): ScopeView['since'] {
  if (!agreed) return null;
  const was = agreed.get(`scope ${id}`);
  return was === undefined ? 'added' : was === text ? 'agreed' : 'changed';
}

export const scopeOf = ofJob((job): ScopeView[] => {
  const agreed = agreedTexts(job);
  return scopeRows(job).map(
    ({
      id,
      version,
      area,
      stance,
      verb,
      subject,
      quantity,
      unit,
      trade,
      depends_on,
      selection,
      measure,
      change_order,
      place,
      kept,
      was,
    }) => ({
      id,
      version,
      areaId: area,
      stance,
      verb,
      subject,
      quantity,
      unit,
      trade,
      dependsOn: depends_on,
      selection,
      measure,
      change: change_order !== null,
      place,
      kept,
      was: was === null ? null : lineText(JSON.parse(was) as ScopeWords),
      since: againstAgreed(agreed, id, lineText({ stance, verb, subject, quantity, unit })),
    }),
  );
});

/** What a service was proved to be, by whom and when. */
const proofWords = (proved: 'dead' | 'kept', by: string, on: Day | null, today: Day): string =>
  `${proved === 'dead' ? 'proved dead' : 'marked and kept live'} by ${by}${on ? `, ${formatDay(on, today)}` : ''}`;

export const findingsOf = ofJob((job): FindingView[] => {
  const names = areaNames(job);
  return findingRows(job).map(
    ({
      id,
      version,
      area,
      kind,
      subject,
      quantity,
      unit,
      need,
      live,
      trade,
      place,
      cause,
      remedy,
      allowed,
      unit_price,
      found,
      found_by,
      lead_days,
      options,
      kept,
      picture,
      answer,
      answered_by,
      proved,
      proved_by,
      proved_on,
    }) => {
      const finding: Finding = {
        id,
        area,
        kind,
        subject,
        quantity,
        unit,
        need,
        live: live === null ? null : live === 1,
        trade,
        place,
        cause,
        remedy,
        allowed,
        unitPrice: job.firm.sees.prices ? unit_price : null,
        found,
        foundBy: found_by,
        leadDays: lead_days,
        options: JSON.parse(options) as string[],
        answer,
        answeredBy: answered_by,
      };
      return {
        ...finding,
        version,
        kept,
        picture,
        areaName: (area && names.get(area)) ?? '',
        text: findingText(finding),
        gap: proved ? null : findingGap(finding),
        proof: proved ? proofWords(proved, proved_by, proved_on, job.firm.today) : null,
      };
    },
  );
});

/** What is believed, the open ones first and those that show themselves soonest before the others. */
export const assumptionsOf = ofJob((job): AssumptionView[] => {
  const [names, people, plan, tasks] = [areaNames(job), personNames(job.firm), planOf(job), tasksOf(job)];
  const changes = new Map(
    changeRows(job).flatMap(({ assumption, number, state }) =>
      assumption !== null && state !== 'declined' ? [[assumption, number] as const] : [],
    ),
  );
  const probed = new Set(
    extraRows(job).flatMap(({ assumption, probes, state }) => (probes && state === 'open' ? (assumption ?? []) : [])),
  );
  return assumptionRows(job)
    .map((row): AssumptionView => {
      const task = tasks.get(taskId(row.area, row.phase));
      return {
        id: row.id,
        version: row.version,
        areaId: row.area,
        area: names.get(row.area) ?? '',
        phase: row.phase,
        text: row.text,
        why: row.why,
        fallback: row.fallback,
        fallbackTrade: row.fallback_trade,
        fallbackHalfDays: row.fallback_half_days,
        fallbackPrice: job.firm.sees.prices ? row.fallback_price : 0,
        sure: row.sure,
        signs: JSON.parse(row.signs) as BearingSign[],
        probed: probed.has(row.id),
        state: row.state,
        found: row.found,
        settled: row.settled_at
          ? `${people.get(row.settled_by ?? '') ?? ''}, ${whenSeen(row.settled_at, job.firm)}`
          : null,
        walk: row.settled_walk,
        change: changes.get(row.id) ?? null,
        shownBy: phaseFacts(row.phase).label,
        shownOn: plan && task && task.state !== 'done' ? dayOfSlot(plan.origin, task.start) : null,
      };
    })
    .sort(
      (a, b) =>
        Number(a.state !== 'open') - Number(b.state !== 'open') || (a.shownOn ?? '9').localeCompare(b.shownOn ?? '9'),
    );
});

/** Work that was added and is not dropped, with when it is planned. */
export const extrasOf = ofJob((job): ExtraView[] => {
  const [names, plan, tasks] = [areaNames(job), planOf(job), tasksOf(job)];
  return extraRows(job).map((row): ExtraView => {
    const task = tasks.get(extraId(row.id));
    return {
      id: row.id,
      areaId: row.area,
      area: names.get(row.area) ?? '',
      text: row.text,
      trade: row.trade,
      halfDays: row.half_days,
      reason: row.reason,
      state: row.state === 'done' ? 'done' : 'open',
      when: row.state === 'done' ? 'done' : plan && task ? formatSlot(plan.origin, task.start) : 'being planned',
    };
  });
});

export const decisionsOf = ofJob((job): (DecisionView & { areaId: string | null })[] => {
  const [names, people] = [areaNames(job), personNames(job.firm)];
  return decisionRows(job).map((row) => ({
    id: row.id,
    areaId: row.area,
    area: row.area === null ? null : (names.get(row.area) ?? null),
    subject: row.subject,
    reason: row.reason,
    when: whenSeen(row.made_at, job.firm),
    by: people.get(row.made_by ?? '') ?? '',
  }));
});

/** What waits on each of the pages of Scope. */
export const scopeCounts = (job: JobReading): ScopeCounts => ({
  assumptions: assumptionRows(job).filter((row) => row.state === 'open').length,
  options: optionRows(job).filter((row) => row.chosen === null).length,
  changes: changeRows(job).filter((row) => row.state === 'draft' || row.state === 'sent').length,
});

/** What a crew is told of one area. @param trade whose work it is; all of it where none is given */
export function briefIn(job: JobReading, area: string, trade?: Trade): Brief {
  const mine = <Item extends { area: string | null }>(item: Item): boolean => item.area === area;
  return withLeft(briefOf(scopeByArea(job).get(area) ?? [], findingsOf(job).filter(mine), trade), job, area);
}

const scopeByArea = ofJob((job) => groupBy(scopeOf(job), (line) => line.areaId));

/** What is still missing in the findings of an area, or of the job as a whole, by finding. */
export const gapsIn = (job: JobReading, area: string | null): Record<string, string> =>
  Object.fromEntries(
    findingsOf(job).flatMap((finding) => (finding.area === area && finding.gap ? [[finding.id, finding.gap]] : [])),
  );

/** Approvals and allowances of an area, or of the job as a whole: no crew's business. */
export const forOfficeIn = (job: JobReading, area: string | null): BriefLine[] =>
  findingsOf(job).flatMap((finding) => {
    if (finding.area !== area || finding.kind === 'site-choice') return [];
    const { part, line } = findingInBrief(finding);
    return part ? [] : [line];
  });

/** What is left on purpose in an area is told to everybody who works there. */
function withLeft(brief: Brief, job: JobReading, area: string): Brief {
  const leave = extraRows(job).flatMap((row) =>
    row.area === area && row.state === 'open' && row.left_for !== ''
      ? [
          {
            id: row.id,
            of: 'extra' as const,
            text: row.left_for,
            note: row.reason,
            picture: null,
            whose: whoseThing(row.left_for),
          },
        ]
      : [],
  );
  return { ...brief, parts: { ...brief.parts, leave: byTrade(leave) } };
}

/** What concerns everybody on the job and lies in none of its areas: the way in, the neighbours, where to park. */
export const briefOfJob = ofJob((job): Brief =>
  briefOf(
    [],
    findingsOf(job).filter(({ area }) => area === null),
  ),
);
