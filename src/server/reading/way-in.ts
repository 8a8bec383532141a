import { judgeWayIn, type KnownWay, type LargePiece, type Verdict, type Way } from '@/core/fit/way-in';
import { groupBy } from '@/core/group-by';
import { isDoor, type Opening } from '@/core/layout/shape';
import type { Rows } from '../database/rows';
import { areaNames, areasUpward } from './job';
import { layoutOf } from './layouts';
import { OF_JOBS, ofJob, rowsOf, type JobReading } from './reading';

export const wayRows = rowsOf<Rows['way_in']>(
  `SELECT * FROM way_in WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);
export const pieceRows = rowsOf<Rows['large_piece']>(
  `SELECT * FROM large_piece WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

/** A place on the way in by what it is called. */
type NamedWay = KnownWay<{ id: string; what: string }>;

/** The door has seen that what its kind asks for is there. */
export function wayOf(row: Rows['way_in']): Way {
  const { kind } = row;
  const [width, height, distance] = [row.width ?? 0, row.height ?? 0, row.distance ?? 0];
  switch (kind) {
    case 'opening':
      return { kind, width, height };
    case 'stair':
      return { kind, width, headroom: height };
    case 'turn':
      return { kind, before: row.before ?? 0, after: row.behind ?? 0, height };
    case 'crane':
      return { kind, lifts: row.lifts ?? 0 };
    case 'hose':
      return { kind, distance, hose: row.reach ?? 0 };
    case 'carry':
      return { kind, distance };
  }
}

const named = (row: Rows['way_in']): NamedWay => ({ id: row.id, what: row.what, way: wayOf(row) });

/** A door or window as it is drawn, as a way in. */
const drawn = (opening: Opening, what: string): NamedWay => ({
  id: opening.id,
  what,
  way: { kind: 'opening', width: opening.width.mm, height: opening.height.mm },
});

const widest = (openings: readonly Opening[]): Opening | undefined =>
  openings.reduce<Opening | undefined>(
    (best, opening) => (best === undefined || opening.width.mm > best.width.mm ? opening : best),
    undefined,
  );

export interface WaysTo {
  /** Everything on the usual way. */
  usual: NamedWay[];
  /** Other ways in, each by itself. */
  beside: NamedWay[];
}

/**
 * The ways to an area: what everything passes, what leads to it, and its own widest door and windows as they are drawn.
 */
export function waysTo(job: JobReading, area: string): WaysTo {
  const rows = [...(waysByArea(job).get('') ?? []), ...(waysByArea(job).get(area) ?? [])];
  const name = areaNames(job).get(area) ?? '';
  // A door in an outside face leads away from it.
  const isInside = areasUpward(job).some(({ id, kind }) => id === area && kind === 'room');
  const openings = isInside ? layoutOf(job, area).openings : [];
  const door = widest(openings.filter(({ kind }) => isDoor(kind)));
  const window = widest(openings.filter(({ kind }) => kind === 'window'));
  return {
    usual: [
      ...rows.filter(({ beside }) => beside === 0).map(named),
      ...(door ? [drawn(door, `the door of ${name}, as it is drawn`)] : []),
    ],
    beside: [
      ...rows.filter(({ beside }) => beside === 1).map(named),
      ...(window ? [drawn(window, `the widest window of ${name}, with its frame taken out`)] : []),
    ],
  };
}

const waysByArea = ofJob((job) => groupBy(wayRows(job), ({ area }) => area ?? ''));

export const pieceOf = (row: Rows['large_piece']): LargePiece => ({
  kind: row.kind,
  length: row.length,
  width: row.width,
  height: row.height,
  mass: row.mass,
});

/** Whether a large piece comes to where it goes. */
export function verdictOf(job: JobReading, row: Rows['large_piece']): Verdict {
  const { usual, beside } = waysTo(job, row.area);
  return judgeWayIn(pieceOf(row), usual, beside);
}
