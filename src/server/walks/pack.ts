import type { JobPack, NarrationView, WalkArea, WalkPack, WalksView } from '@/contract/views/walk';
import type { JobId } from '@/core/ids';
import { recordedOnto } from '@/core/walks/overlay';
import { groupBy } from '@/core/group-by';
import { phaseFacts } from '@/core/sequence/phases';
import { daysBetween } from '@/core/units/day';
import { ofKind, notWithdrawn, type Observation } from '@/core/walks/observation';
import { carriedItems } from '@/core/walks/open-items';
import { countedWords } from '@/core/walks/record-words';
import { walkingOrder } from '@/core/walks/route';
import { dayIn } from '@/core/units/zone';
import { firmTime, type FirmTime, clockFor } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { readLayout } from '../layout/read-layout';
import { readSite } from '../schedule/read-site';
import { assumptionsOf, extrasOf, scopeOf } from '../scope/read-scope';
import { jobHead, requireJob } from '../sites/queries';
import { whenSeen } from '../words';
import { closeInsOf } from './close-in';
import { drawnOf } from './drawn';
import { observationsOf } from './queries';
import type { Rows } from '../database/rows';

export type WalkRow = Rows['walk'];

export function requireWalk(installation: Installation, id: string): WalkRow {
  const row = queryOne<WalkRow>(installation.db, 'SELECT * FROM walk WHERE id = @id', { id });
  if (!row) throw notFound('walk');
  return row;
}

export const personNames = (db: Connection): Map<string, string> =>
  new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM person').map((person) => [person.id, person.name]),
  );

/** Everything a walk needs in the hand. */
export function walkPack(installation: Installation, id: string): WalkPack {
  const walk = requireWalk(installation, id);
  const names = personNames(installation.db);
  return {
    ...packOf(installation, walk.job, walk),
    narrations: narrationsOf(installation.db, id),
    walk: {
      id,
      kind: walk.kind,
      startedAt: walk.started_at,
      finished: walk.finished_at !== null,
      by: names.get(walk.person) ?? '',
    },
  };
}

/** What a device keeps of every job that is walked, so that one can be begun where there is no signal. */
export const jobPacks = (installation: Installation): JobPack[] =>
  queryAll<{ id: string }>(
    installation.db,
    `SELECT id
      FROM job
      WHERE state IN ('scoping', 'booked', 'active', 'completing')
      ORDER BY position`,
  ).map(({ id }) => packOf(installation, id));

/** Where each area lies, and what people call it besides. */
const placesOf = (db: Connection, job: JobId): Map<string, { place: string; called: string }> =>
  new Map(
    queryAll<{ id: string; place: string; called: string }>(
      db,
      `SELECT area.id, coalesce(level.name, 'outside') AS place, called
        FROM area
        LEFT JOIN level ON level.id = area.level
        WHERE area.job = @job`,
      { job },
    ).map((row) => [row.id, row]),
  );

/** What was chosen and is not fitted yet, by area. */
const chosenOf = (db: Connection, job: JobId) =>
  groupBy(
    queryAll<Omit<WalkArea['selections'][number], 'verdict'> & { area: string }>(
      db,
      `SELECT id, area, category, choice, code, colour, finish, quantity, unit, state
        FROM selection
        WHERE job = @job AND removed = 0 AND state NOT IN ('fitted', 'left over')
        ORDER BY rowid`,
      { job },
    ),
    (row) => row.area,
  );

function packOf(installation: Installation, jobId: string, walk?: WalkRow): JobPack {
  const { db } = installation;
  const time = firmTime(installation);
  const { today: now, zone } = time;
  const job = requireJob(db, jobId);
  const seen = notWithdrawn(observationsOf(db, jobId));
  const onThis = walk ? seen.filter((observation) => observation.walk === walk.id) : [];
  const mine = groupBy(onThis, (observation) => observation.area);
  const site = readSite(db, jobId, now);
  const rows = placesOf(db, jobId);
  // What was open when the walk began stays in sight, with what this walk said of it; the oldest first, so that none is
  // lost at the end.
  const before = groupBy(
    carriedItems(seen.filter((observation) => observation.walk !== walk?.id)),
    ({ item }) => item.area,
  );
  const chosen = chosenOf(db, jobId);
  const [believed, added, agreed, closeIns] = [
    assumptionsOf(installation, jobId),
    extrasOf(installation, jobId),
    groupBy(scopeOf(db, jobId), (line) => line.areaId),
    closeInsOf(db, jobId, seen),
  ];
  const spots = standpointsOf(db, jobId, seen, time);
  const accepted = new Map(
    queryAll<{ area: string; name: string }>(db, 'SELECT area, name FROM sign_off WHERE job = @job AND removed = 0', {
      job: jobId,
    }).map((row) => [row.area, row.name]),
  );
  const names = personNames(db);
  const areas = walkingOrder(site.areas).map((area): WalkArea => {
    const check = closeIns.get(area.id);
    const layout = readLayout(db, area.id);
    const bare: WalkArea = {
      id: area.id,
      name: area.name,
      place: rows.get(area.id)?.place ?? '',
      called: namesOf(area.name, rows.get(area.id)?.called ?? ''),
      steps: area.track.map((step) => ({
        phase: step.phase,
        label: phaseFacts(step.phase).label,
        fraction: step.fraction,
        trade: step.trade,
      })),
      open: (before.get(area.id) ?? [])
        .map(({ item, putOff, notSeen, worse }) => ({
          id: item.id,
          kind: item.kind,
          text: item.kind === 'remaining' ? countedWords(item) : item.text,
          trade: item.kind === 'remaining' ? item.trade : null,
          putOff,
          notSeen,
          worse,
          days: daysBetween(dayIn(zone, item.at), now),
          verdict: null,
          since: whenSeen(item.at, time),
        }))
        .sort((a, b) => b.days - a.days),
      selections: (chosen.get(area.id) ?? []).map(({ area: _, ...item }) => ({
        ...item,
        verdict: null,
      })),
      assumptions: believed
        .filter(
          (assumption) =>
            assumption.areaId === area.id && (assumption.state === 'open' || (walk && assumption.walk === walk.id)),
        )
        .map(({ id, text, fallback, shownBy, state }) => ({ id, text, fallback, shownBy, state })),
      extras: added
        .filter((extra) => extra.areaId === area.id && extra.state === 'open')
        .map((extra) => ({ id: extra.id, text: extra.text, trade: extra.trade, done: false })),
      checks: (check?.lines ?? []).map(({ key, text, because, state, said }) => ({
        key,
        text,
        because,
        state,
        said: said ?? '',
      })),
      closed: check?.closed ?? false,
      standpoints: spots.get(area.id) ?? [],
      ...drawnOf(layout),
      scope: (agreed.get(area.id) ?? []).map((line) => ({ stance: line.stance, text: `${line.verb} ${line.subject}` })),
      accepted: accepted.get(area.id) ?? null,
      recorded: [],
    };
    // What this walk recorded itself is laid on as the device lays on what it has not sent.
    return (mine.get(area.id) ?? []).reduce(
      (now, record) =>
        recordedOnto(now, record, record.person === walk?.person ? {} : { by: names.get(record.person) ?? '' }),
      bare,
    );
  });
  const left = queryOne<{ at: string; bin: number | null }>(
    db,
    'SELECT at, bin FROM site_close_down WHERE job = @job ORDER BY at DESC',
    { job: jobId },
  );
  return {
    job: { id: job.id, name: job.name, units: job.units, leaves: job.leaves },
    areas,
    suppliers: queryAll<{ name: string }>(db, 'SELECT name FROM supplier ORDER BY name').map((row) => row.name),
    left: left ? { when: whenSeen(left.at, time), bin: left.bin } : null,
    clock: clockFor(installation),
    today: now,
  };
}

/** Areas of a job with all that they are called: what a narration is read with. */
export const areaNamesOf = (db: Connection, job: string): { name: string; synonyms: string[] }[] =>
  queryAll<{ name: string; called: string }>(db, 'SELECT name, called FROM area WHERE job = @job ORDER BY position', {
    job,
  }).map(({ name, called }) => ({ name, synonyms: namesOf(name, called) }));

const namesOf = (name: string, called: string): string[] => [
  ...usualNames(name),
  ...called
    .split(';')
    .map((entry) => entry.trim())
    .filter(Boolean),
];

/** Short for a long name: “Yard and drain run” is the yard, and the drain run. */
const usualNames = (name: string): string[] =>
  name
    .split(/ and | & |, /)
    .map((part) => part.trim().replace(/’/g, "'"))
    .filter((part) => part !== name && part.length > 2);

/** Spots from which pictures are taken again, each with its newest one. */
function standpointsOf(
  db: Connection,
  job: string,
  seen: readonly Observation[],
  time: FirmTime,
): Map<string, WalkArea['standpoints']> {
  const last = new Map(
    ofKind(seen, 'picture').flatMap((picture) =>
      picture.standpoint
        ? [[picture.standpoint, { hash: picture.picture, when: whenSeen(picture.at, time) }] as const]
        : [],
    ),
  );
  const rows = queryAll<{ id: string; area: string; name: string }>(
    db,
    'SELECT id, area, name FROM standpoint WHERE job = @job AND removed = 0 ORDER BY rowid',
    { job },
  );
  return new Map(
    [...groupBy(rows, (row) => row.area)].map(([area, list]) => [
      area,
      list.map(({ id, name }) => ({ id, name, last: last.get(id) ?? null })),
    ]),
  );
}

export function narrationsOf(db: Connection, walk: string): NarrationView[] {
  const dropped = groupBy(
    queryAll<{ narration: string; draft: string }>(
      db,
      `SELECT dropped_draft.*
        FROM dropped_draft
        JOIN narration ON narration.id = narration
        WHERE walk = @walk`,
      { walk },
    ),
    (row) => row.narration,
  );
  const accepted = groupBy(
    queryAll<{ narration: string; draft: string }>(
      db,
      `SELECT json_extract(facts, '$.said.narration') AS narration, json_extract(facts, '$.said.draft') AS draft
        FROM standing_observation
        WHERE walk = @walk AND json_extract(facts, '$.said.narration') IS NOT NULL`,
      { walk },
    ),
    (row) => row.narration,
  );
  return queryAll<{ id: string; name: string; text: string; recording: string | null }>(
    db,
    'SELECT id, name, text, recording FROM narration WHERE walk = @walk ORDER BY kept_at, id',
    { walk },
  ).map((row) => ({
    ...row,
    dropped: (dropped.get(row.id) ?? []).map((entry) => entry.draft),
    accepted: (accepted.get(row.id) ?? []).map((entry) => entry.draft),
  }));
}

export function walksView(installation: Installation, job: string): WalksView {
  const time = firmTime(installation);
  const rows = queryAll<WalkRow & { name: string; records: number; pictures: number }>(
    installation.db,
    `SELECT walk.*, person.name, (SELECT count(*) FROM standing_observation WHERE walk = walk.id) AS records,
        (SELECT count(*) FROM standing_observation WHERE walk = walk.id AND kind = 'picture') AS pictures
      FROM walk
      JOIN person ON person.id = walk.person
      WHERE walk.job = @job
      ORDER BY started_at DESC`,
    { job },
  );
  return {
    job: jobHead(installation, job),
    walks: rows.map((row) => ({
      id: row.id,
      kind: row.kind,
      when: whenSeen(row.started_at, time),
      by: row.name,
      finished: row.finished_at !== null,
      records: row.records,
      summary: `${row.records} records, ${row.pictures} pictures`,
    })),
  };
}
