import type { HoldKind } from '@/contract/commands/sites';
import type { ShellView, HoldView, JobHead, PersonView } from '@/contract/views/job';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { expectedOf, isGiven, PARTIES, type Party } from '@/core/selections/requests';
import { taskId } from '@/core/sequence/site';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { firmTime, today, clockFor } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { newestChange } from '../dispatch/queries';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import type { JobRow } from '../schedule/read-site';
import { readPlan } from '../schedule/read-plan';
import { selectionsOf } from '../selections/queries';
import { requestRows, requestsOf, waitRows } from '../selections/rows';
import { isDue } from '@/core/selections/due';
import { closeInsOf, openWords } from '../walks/close-in';
import { whenSeen } from '../words';

export function frameView(installation: Installation, person: PersonView): ShellView {
  return {
    firm: queryOne<{ name: string }>(installation.db, 'SELECT name FROM firm')?.name ?? 'Aftermist',
    person,
    people: installation.demo
      ? queryAll<PersonView>(installation.db, 'SELECT id, name, role FROM person ORDER BY rowid')
      : [],
    jobs: queryAll(installation.db, `SELECT id, name, state FROM job WHERE state <> 'closed' ORDER BY position`),
    today: today(installation),
    demo: installation.demo,
    seq: newestChange(installation.db),
    clock: clockFor(installation),
  };
}

export function requireJob(db: Connection, id: string): JobRow {
  const row = queryOne<JobRow>(db, 'SELECT * FROM job WHERE id = @id', { id });
  if (!row) throw notFound('job');
  return row;
}

export function jobHead(installation: Installation, id: string): JobHead {
  const row = requireJob(installation.db, id);
  const time = firmTime(installation);
  const now = time.today;
  const last = queryOne<{ started_at: string }>(
    installation.db,
    `SELECT started_at
      FROM walk
      WHERE job = @id AND finished_at IS NOT NULL
      ORDER BY started_at DESC`,
    { id },
  );
  const open = queryOne<{ id: string }>(
    installation.db,
    'SELECT id FROM walk WHERE job = @id AND finished_at IS NULL ORDER BY started_at DESC',
    { id },
  );
  return {
    id,
    name: row.name,
    address: row.address,
    state: row.state,
    units: row.units,
    walked: last ? `walked ${whenSeen(last.started_at, time)}` : 'not walked yet',
    openWalk: open?.id ?? null,
    counts: {
      selections: selectionsOf(installation, id).filter((item) => isDue(item.due)).length,
      schedule: holdsOf(installation.db, id, now).filter((hold) => hold.overdue).length,
      news:
        queryOne<{ count: number }>(
          installation.db,
          `SELECT count(*) AS count FROM job_update WHERE job = @id AND state = 'draft'`,
          { id },
        )?.count ?? 0,
    },
  };
}

interface HoldRow extends Omit<
  HoldView,
  'phase' | 'request' | 'areaId' | 'area' | 'overdue' | 'expectedOn' | 'askedOn'
> {
  phase: Phase;
  area: string;
  area_name: string;
  expected_on: Day;
  asked_on: Day | null;
}

/** What a job's work waits for, the nearest first. */
export function holdsOf(db: Connection, job: string, now: Day): HoldView[] {
  const rows = queryAll<HoldRow>(
    db,
    `SELECT hold.*, area.name AS area_name
      FROM hold
      JOIN area ON area.id = hold.area
      WHERE hold.job = @job AND hold.state = 'open'
      ORDER BY expected_on, hold.id`,
    { job },
  );
  const holds = rows.map((row): HoldView => ({
    id: row.id,
    version: row.version,
    request: null,
    area: row.area_name,
    areaId: row.area,
    phase: phaseFacts(row.phase).label,
    kind: row.kind,
    label: row.label,
    text: row.text,
    expectedOn: row.expected_on,
    askedOn: row.asked_on,
    overdue: row.expected_on < now,
  }));
  return [...holds, ...requestHolds(db, job, now), ...closeInHolds(db, job, now)].sort((a, b) =>
    a.expectedOn.localeCompare(b.expectedOn),
  );
}

/** Steps of the work that wait for an approval, an answer or a drawing. */
function requestHolds(db: Connection, job: string, now: Day): HoldView[] {
  const rows = requestRows(db, job);
  const requests = requestsOf(rows);
  const areas = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area WHERE job = @job', { job }).map((area) => [
      area.id,
      area.name,
    ]),
  );
  return waitRows(db, job).flatMap(({ request: id, area, phase }): HoldView[] => {
    const [request, row] = [requests.get(id), rows.find((entry) => entry.id === id)];
    if (!request || !row || !area || !phase || isGiven(request)) return [];
    const promised = row.expected_on ?? (row.sent_on ? addDays(row.sent_on, row.takes_high) : null);
    return [
      {
        id: `${id}:${area}:${phase}`,
        version: row.version,
        request: id,
        area: areas.get(area) ?? '',
        areaId: area,
        phase: phaseFacts(phase).label,
        kind: HOLD_OF[request.party],
        label: request.party,
        text:
          `${request.kind} ${request.kind === 'drawing' ? 'owed by' : 'by'} ${PARTIES[request.party]}: ` +
          request.subject,
        expectedOn: expectedOf(request, requests, now),
        askedOn: row.sent_on,
        overdue: promised !== null && promised < now,
      },
    ];
  });
}

/** Days ahead that a check before covering is told of. */
const CHECK_AHEAD = 2;

/**
 * Checks before covering that were begun, or whose wall is about to be closed or was closed with lines open: they hold
 * what covers.
 */
function closeInHolds(db: Connection, job: string, now: Day): HoldView[] {
  const plan = readPlan(db, { job });
  return [...closeInsOf(db, job).values()].flatMap((check): HoldView[] => {
    if (check.closed || check.open.length === 0) return [];
    const task = plan?.tasks.find((planned) => planned.id === taskId(check.area, 'close-in'));
    const due = plan && task ? dayOfSlot(plan.origin, task.start) : now;
    if (!check.covered && !check.begun && due > addDays(now, CHECK_AHEAD)) return [];
    return [
      {
        id: `close-in:${check.area}`,
        version: 1,
        request: null,
        area: check.name,
        areaId: check.area,
        phase: phaseFacts('close-in').label,
        kind: 'close-in',
        label: 'close-in',
        text: `${openWords(check)}${check.covered ? '; covering was begun all the same' : ''}`,
        expectedOn: due,
        askedOn: null,
        overdue: check.covered,
      },
    ];
  });
}

const HOLD_OF: Record<Party, HoldKind> = {
  client: 'client',
  association: 'association',
  authority: 'authority',
  conservation: 'authority',
  engineer: 'engineer',
  designer: 'unknown',
  us: 'unknown',
};
