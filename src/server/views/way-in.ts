import type { LargePieceView, WayInView, WayView } from '@/contract/views/way-in';
import { isHere } from '@/core/selections/states';
import { phaseFacts } from '@/core/sequence/phases';
import { sayPiece, sayWay, sayWayIn } from '@/core/words/way-in';
import type { Rows } from '../database/rows';
import { areaNames, areasUpward, jobRow, phasesOf } from '../reading/job';
import { ofJob, type JobReading } from '../reading/reading';
import { extraRows } from '../reading/scope';
import { selectionRows } from '../reading/selections';
import { pieceOf, pieceRows, verdictOf, wayOf, wayRows, waysTo } from '../reading/way-in';
import { jobHead } from './job-head';
import { findingsOf } from './scope-parts';
import { selectionCounts } from './selections';

function wayView(job: JobReading, row: Rows['way_in']): WayView {
  const { id, version, area, what, kind, width, height, before, behind, distance, reach, lifts, finding } = row;
  const way = wayOf(row);
  return {
    ...{ id, version, what, kind, width, height, before, behind, distance, reach, lifts, finding },
    areaId: area,
    area: area === null ? '' : (areaNames(job).get(area) ?? ''),
    text: sayWay(way, jobRow(job).units),
    beside: row.beside === 1,
    bad: way.kind === 'hose' && way.distance > way.hose,
  };
}

/** Large pieces that no measured or drawn way lets in as they are, by the chosen thing they are. */
export const stuckGoods = ofJob(
  (job): ReadonlyMap<string, string> =>
    new Map(
      pieceRows(job).flatMap((row) =>
        row.selection !== null && !verdictOf(job, row).fits ? [[row.selection, row.what] as const] : [],
      ),
    ),
);

function pieceView(job: JobReading, row: Rows['large_piece']): LargePieceView {
  const { units } = jobRow(job);
  const { usual, beside } = waysTo(job, row.area);
  const names = new Map([...usual, ...beside].map(({ id, what, way }) => [id, `${what} (${sayWay(way, units)})`]));
  const piece = pieceOf(row);
  const verdict = verdictOf(job, row);
  const extra = row.extra === null ? undefined : extraRows(job).find(({ id }) => id === row.extra);
  const { id, version, selection, what, kind, length, width, height, mass } = row;
  return {
    ...{ id, version, selection, what, kind, length, width, height, mass },
    areaId: row.area,
    area: areaNames(job).get(row.area) ?? '',
    text: sayPiece(piece, units),
    fits: verdict.fits,
    byAnother: verdict.by !== null,
    said:
      usual.length === 0
        ? [{ text: 'Nothing on its way is measured or drawn yet.', bad: true }]
        : sayWayIn(verdict, piece, (way) => names.get(way) ?? '', units),
    held: usual.filter(({ way }) => way.kind !== 'hose').map(({ id: way }) => names.get(way) ?? ''),
    hours: verdict.hours,
    planned: extra && extra.state !== 'dropped' ? extra.state : null,
  };
}

/** The ways into a job's rooms, and the large pieces that are held against them. */
export function wayInView(job: JobReading): WayInView {
  const ways = wayRows(job).map((row) => wayView(job, row));
  const measured = new Set(ways.map(({ finding }) => finding));
  return {
    job: jobHead(job),
    counts: selectionCounts(job),
    areas: areasUpward(job).map(({ id, name }) => ({
      ...{ id, name },
      phases: (phasesOf(job).get(id) ?? []).map(({ phase, label }) => ({
        phase,
        label: label || phaseFacts(phase).label,
      })),
    })),
    ways,
    unmeasured: findingsOf(job)
      .filter(({ id, kind }) => kind === 'access' && !measured.has(id))
      .map(({ id, area, text }) => ({ id, areaId: area, text })),
    pieces: pieceRows(job).map((row) => pieceView(job, row)),
    goods: selectionRows(job)
      .filter(({ state }) => !isHere(state))
      .map(({ id, area, category, area_name }) => ({ id, areaId: area, text: `${category}, ${area_name}` })),
  };
}
