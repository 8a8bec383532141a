import { measuresOf, type Measures } from '@/core/layout/measures';
import type { Opening, Fixture, Shape } from '@/core/layout/shape';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';

export type Kept<Thing> = Thing & { version: number };

export interface Layout {
  shape: Shape | null;
  /** 0 where nothing was drawn yet. */
  version: number;
  openings: Kept<Opening>[];
  fixtures: Kept<Fixture>[];
}

interface Row {
  id: string;
  area: string;
  version: number;
  content: string;
}

const opened = <Thing extends { id: string }>({ id, version, content }: Row): Kept<Thing> => ({
  ...(JSON.parse(content) as Thing),
  id,
  version,
});

export const openingsOf = (db: Connection, area: string): Kept<Opening>[] =>
  queryAll<Row>(
    db,
    `SELECT id, area, version, opening AS content
      FROM opening
      WHERE area = @area AND removed = 0
      ORDER BY rowid`,
    { area },
  ).map((row) => opened<Opening>(row));
export const fixturesOf = (db: Connection, area: string): Kept<Fixture>[] =>
  queryAll<Row>(
    db,
    `SELECT id, area, version, fixture AS content
      FROM fixture
      WHERE area = @area AND removed = 0
      ORDER BY rowid`,
    { area },
  ).map((row) => opened<Fixture>(row));

/** What is drawn of an area. */
export function readLayout(db: Connection, area: string): Layout {
  const row = queryOne<{ shape: string; version: number }>(db, 'SELECT shape, version FROM shape WHERE area = @area', {
    area,
  });
  return {
    shape: row ? (JSON.parse(row.shape) as Shape) : null,
    version: row?.version ?? 0,
    openings: openingsOf(db, area),
    fixtures: fixturesOf(db, area),
  };
}

/** What an area measures; nothing where it is not drawn. */
export function measuresIn(db: Connection, area: string): Measures {
  const { shape, openings } = readLayout(db, area);
  return shape ? measuresOf(shape, openings) : {};
}
