import type { Recorded, WalkArea, WalkPack, WalksView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import { ofKind, standing, type Observation, type SelectionVerdict, type WalkKind } from '@/core/walks/observation';
import { openItems } from '@/core/walks/open-items';
import { today } from '../clock';
import { all, one } from '../database/query';
import { notFound } from '../door/refusal';
import type { House } from '../house';
import { readSite } from '../schedule/read-site';
import { assumptionsOf, extrasOf } from '../scope/read-scope';
import { jobHead, needJob } from '../sites/queries';
import { whenSeen } from '../words';
import { observationsOf } from './queries';

export interface WalkRow {
  id: string;
  job: string;
  kind: WalkKind;
  person: string;
  started_at: string;
  finished_at: string | null;
}

export function needWalk(house: House, id: string): WalkRow {
  const row = one<WalkRow>(house.db, 'SELECT * FROM walk WHERE id = @id', { id });
  if (!row) throw notFound('walk');
  return row;
}

/** Everything a walk needs in the hand: outside first, then the levels from the ground up, each in its order. */
export function walkPack(house: House, id: string): WalkPack {
  const walk = needWalk(house, id);
  const { db } = house;
  const now = today(house.clock);
  const job = needJob(db, walk.job);
  const all_ = standing(observationsOf(db, walk.job));
  const mine = groupBy(all_.filter((seen) => seen.walk === id), (seen) => seen.area);
  const site = readSite(db, walk.job, now);
  const places = new Map(all<{ id: string; place: string }>(db, `SELECT area.id, coalesce(level.name, 'outside') AS place FROM area LEFT JOIN level ON level.id = area.level WHERE area.job = @job`, { job: walk.job }).map((row) => [row.id, row.place]));
  // What was open when the walk began stays in sight, with what this walk said of it.
  const before = openItems(all_.filter((seen) => seen.walk !== id));
  const checks = new Map(ofKind(all_.filter((seen) => seen.walk === id), 'recheck').map((check) => [check.about, check.verdict]));
  const chosen = groupBy(all<Omit<WalkArea['selections'][number], 'verdict'> & { area: string }>(db, `SELECT id, area, category, choice, code, colour, finish, quantity, unit, state FROM selection WHERE job = @job AND removed = 0 AND state NOT IN ('fitted', 'left over') ORDER BY rowid`, { job: walk.job }), (row) => row.area);
  const found = new Map<string, SelectionVerdict>(ofKind(all_.filter((seen) => seen.walk === id), 'selection-check').map((check) => [check.selection, check.verdict]));
  const [believed, added] = [assumptionsOf(house, walk.job), extrasOf(house, walk.job)];
  const height = (area: (typeof site.areas)[number]): number => area.level?.height ?? -99;
  const areas = [...site.areas].sort((a, b) => height(a) - height(b) || a.position - b.position).map((area): WalkArea => ({
    id: area.id, name: area.name, place: places.get(area.id) ?? '',
    steps: area.track.map((step) => ({ phase: step.phase, label: phaseFacts(step.phase).label, fraction: step.fraction, trade: step.trade })),
    open: before.filter((open) => open.item.area === area.id).map(({ item, putOff, worse }) => ({
      id: item.id, text: [item.quantity, item.unit, item.text].filter(Boolean).join(' '), trade: item.trade, putOff, worse, verdict: checks.get(item.id) ?? null, since: whenSeen(item.at, now),
    })),
    selections: (chosen.get(area.id) ?? []).map(({ area: _, ...item }) => ({ ...item, verdict: found.get(item.id) ?? null })),
    cautions: ofKind(all_, 'caution').filter((caution) => caution.area === area.id && caution.walk !== id).map((caution) => caution.text),
    assumptions: believed.filter((one_) => one_.areaId === area.id && (one_.state === 'open' || one_.walk === id)).map(({ id: assumption, text, fallback, shownBy, state }) => ({ id: assumption, text, fallback, shownBy, state })),
    extras: added.filter((extra) => extra.areaId === area.id && extra.state === 'open').map((extra) => ({ id: extra.id, text: extra.text, trade: extra.trade, done: false })),
    recorded: (mine.get(area.id) ?? []).flatMap(recorded),
  }));
  return { walk: { id, kind: walk.kind, startedAt: walk.started_at, finished: walk.finished_at !== null }, job: { id: job.id, name: job.name, units: job.units }, areas, shiftDays: house.clock.shiftDays ?? 0 };
}

/** A line for what was typed, measured or pictured; progress and checks show in their own places. */
function recorded(seen: Observation): Recorded[] {
  switch (seen.kind) {
    case 'remaining':
      return [{ id: seen.id, kind: seen.kind, text: `${[seen.quantity, seen.unit, seen.text].filter(Boolean).join(' ')} · ${TRADES[seen.trade].toLowerCase()}` }];
    case 'note':
    case 'caution':
      return [{ id: seen.id, kind: seen.kind, text: seen.text }];
    case 'measurement':
      return [{ id: seen.id, kind: seen.kind, text: `${seen.text}: ${seen.typed}` }];
    case 'picture':
      return [{ id: seen.id, kind: seen.kind, text: seen.text ?? 'picture', picture: seen.picture }];
    default:
      return [];
  }
}

export function walksView(house: House, job: string): WalksView {
  const now = today(house.clock);
  const rows = all<WalkRow & { name: string; records: number; pictures: number }>(house.db, `SELECT walk.*, person.name,
      (SELECT count(*) FROM observation WHERE walk = walk.id) AS records, (SELECT count(*) FROM observation WHERE walk = walk.id AND kind = 'picture') AS pictures
    FROM walk JOIN person ON person.id = walk.person WHERE walk.job = @job ORDER BY started_at DESC`, { job });
  return {
    job: jobHead(house, job),
    walks: rows.map((row) => ({
      id: row.id, kind: row.kind, when: whenSeen(row.started_at, now), by: row.name, finished: row.finished_at !== null, records: row.records,
      summary: `${row.records} records, ${row.pictures} pictures`,
    })),
  };
}
