import type { ScopeView } from '@/contract/views/job';
import type { AssumptionView, DecisionView, ExtraView, FindingView, ScopeCounts } from '@/contract/views/scope';
import { findingGap, findingText, type Finding, type FindingKind } from '@/core/scope/finding';
import { phaseFacts } from '@/core/sequence/phases';
import { extraId, taskId } from '@/core/sequence/site';
import type { Trade } from '@/core/sequence/trades';
import { dayOfSlot, formatSlot } from '@/core/units/slot';
import { firmTime } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { readPlan } from '../schedule/read-plan';
import { whenSeen } from '../words';
import type { Rows } from '../database/rows';

type ScopeRow = Rows['scope_item'];

export function scopeOf(db: Connection, job: string): ScopeView[] {
  return queryAll<ScopeRow>(db, 'SELECT * FROM scope_item WHERE job = @job AND removed = 0 ORDER BY rowid', {
    job,
  }).map(
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
    }),
  );
}

interface FindingRow extends Omit<Finding, 'unitPrice' | 'leadDays' | 'live' | 'options' | 'kind'> {
  version: number;
  kind: FindingKind;
  live: 0 | 1 | null;
  unit_price: number | null;
  lead_days: number | null;
  options: string;
  area_name: string | null;
  kept: 'kept' | 'back' | 'gone';
}

export function findingsOf(db: Connection, job: string): FindingView[] {
  return queryAll<FindingRow>(
    db,
    `SELECT finding.*, area.name AS area_name
      FROM finding
      LEFT JOIN area ON area.id = finding.area
      WHERE finding.job = @job AND finding.removed = 0
      ORDER BY finding.rowid`,
    { job },
  ).map(
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
      place,
      cause,
      remedy,
      allowed,
      unit_price,
      lead_days,
      options,
      area_name,
      kept,
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
        place,
        cause,
        remedy,
        allowed,
        unitPrice: unit_price,
        leadDays: lead_days,
        options: JSON.parse(options) as string[],
      };
      return {
        ...finding,
        version,
        kept,
        areaName: area_name ?? '',
        text: findingText(finding),
        gap: findingGap(finding),
      };
    },
  );
}

type AssumptionRow = Rows['assumption'] & { area_name: string; settler: string | null };

/** What is believed, the open ones first and those that show themselves soonest before the others. */
export function assumptionsOf(installation: Installation, job: string): AssumptionView[] {
  const time = firmTime(installation);
  const plan = readPlan(installation.db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  return queryAll<AssumptionRow>(
    installation.db,
    `SELECT assumption.*, area.name AS area_name, person.name AS settler
      FROM assumption
      JOIN area ON area.id = assumption.area
      LEFT JOIN person ON person.id = settled_by
      WHERE assumption.job = @job AND assumption.removed = 0
      ORDER BY assumption.rowid`,
    { job },
  )
    .map((row): AssumptionView => {
      const task = tasks.get(taskId(row.area, row.phase));
      return {
        id: row.id,
        version: row.version,
        areaId: row.area,
        area: row.area_name,
        phase: row.phase,
        text: row.text,
        why: row.why,
        fallback: row.fallback,
        fallbackTrade: row.fallback_trade,
        fallbackHalfDays: row.fallback_half_days,
        fallbackPrice: row.fallback_price,
        state: row.state,
        found: row.found,
        settled: row.settled_at ? `${row.settler ?? ''}, ${whenSeen(row.settled_at, time)}` : null,
        walk: row.settled_walk,
        shownBy: phaseFacts(row.phase).label,
        shownOn: plan && task && task.state !== 'done' ? dayOfSlot(plan.origin, task.start) : null,
      };
    })
    .sort(
      (a, b) =>
        Number(a.state !== 'open') - Number(b.state !== 'open') || (a.shownOn ?? '9').localeCompare(b.shownOn ?? '9'),
    );
}

/** Work that was added and is not dropped, with when it is planned. */
export function extrasOf(installation: Installation, job: string): ExtraView[] {
  const plan = readPlan(installation.db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  return queryAll<{
    id: string;
    area: string;
    area_name: string;
    text: string;
    trade: Trade;
    half_days: number;
    reason: string;
    state: 'open' | 'done';
  }>(
    installation.db,
    `SELECT extra_work.*, area.name AS area_name
      FROM extra_work
      JOIN area ON area.id = extra_work.area
      WHERE extra_work.job = @job AND state <> 'dropped'
      ORDER BY extra_work.rowid`,
    { job },
  ).map((row) => {
    const task = tasks.get(extraId(row.id));
    return {
      id: row.id,
      areaId: row.area,
      area: row.area_name,
      text: row.text,
      trade: row.trade,
      halfDays: row.half_days,
      reason: row.reason,
      state: row.state,
      when: row.state === 'done' ? 'done' : plan && task ? formatSlot(plan.origin, task.start) : 'being planned',
    };
  });
}

export function decisionsOf(installation: Installation, job: string, area?: string): DecisionView[] {
  const time = firmTime(installation);
  return queryAll<{
    id: string;
    area: string | null;
    area_name: string | null;
    subject: string;
    reason: string;
    made_at: string;
    name: string | null;
  }>(
    installation.db,
    `SELECT decision.*, area.name AS area_name, person.name
      FROM decision
      LEFT JOIN area ON area.id = decision.area
      LEFT JOIN person ON person.id = made_by
      WHERE decision.job = @job AND decision.removed = 0
      ORDER BY made_at DESC, decision.rowid DESC`,
    { job },
  )
    .filter((row) => area === undefined || row.area === area)
    .map((row) => ({
      id: row.id,
      area: row.area_name,
      subject: row.subject,
      reason: row.reason,
      when: whenSeen(row.made_at, time),
      by: row.name ?? '',
    }));
}

/** What waits on each of the pages of Scope. */
export function scopeCounts(db: Connection, job: string): ScopeCounts {
  const count = (sql: string): number => queryOne<{ count: number }>(db, sql, { job })?.count ?? 0;
  return {
    assumptions: count(`SELECT count(*) AS count FROM assumption WHERE job = @job AND state = 'open' AND removed = 0`),
    options: count('SELECT count(*) AS count FROM option_set WHERE job = @job AND chosen IS NULL'),
    changes: count(`SELECT count(*) AS count FROM change_order WHERE job = @job AND state IN ('draft', 'sent')`),
  };
}
