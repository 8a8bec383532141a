import { measuresOf, type Measures } from '@/core/layout/measures';
import { usualFixture, type Opening, type Fixture, type Shape } from '@/core/layout/shape';
import { groupBy } from '@/core/group-by';
import type { Rows } from '../database/rows';
import type { LengthSystem } from '@/core/units/length';
import { jobOfArea, jobRow } from './job';
import { OF_JOBS, ofJob, rowsOf, type JobReading, type Source } from './reading';

type Kept<Thing> = Thing & { version: number };

export interface Layout {
  shape: Shape | null;
  /** 0 where nothing was drawn yet. */
  version: number;
  openings: Kept<Opening>[];
  fixtures: Kept<Fixture>[];
}

const shapeRows = rowsOf<Rows['shape'] & { job: string }>(
  `SELECT shape.*, area.job FROM shape JOIN area ON area.id = shape.area WHERE area.job ${OF_JOBS}`,
);
const openingRows = rowsOf<Rows['opening'] & { job: string }>(
  `SELECT opening.*, area.job
    FROM opening
    JOIN area ON area.id = opening.area
    WHERE area.job ${OF_JOBS} AND removed = 0
    ORDER BY opening.rowid`,
);
const fixtureRows = rowsOf<Rows['fixture'] & { job: string }>(
  `SELECT fixture.*, area.job
    FROM fixture
    JOIN area ON area.id = fixture.area
    WHERE area.job ${OF_JOBS} AND removed = 0
    ORDER BY fixture.rowid`,
);

/** What is drawn of each area of a job. */
const layoutsOf = ofJob((job): ReadonlyMap<string, Layout> => {
  const { units } = jobRow(job);
  const openings = groupBy(openingRows(job), (row) => row.area as string);
  const fixtures = groupBy(fixtureRows(job), (row) => row.area as string);
  const shapes = new Map(shapeRows(job).map((row) => [row.area as string, row]));
  const areas = new Set([...openings.keys(), ...fixtures.keys(), ...shapes.keys()]);
  return new Map(
    [...areas].map((area): [string, Layout] => {
      const shape = shapes.get(area);
      return [
        area,
        {
          shape: shape ? (JSON.parse(shape.shape) as Shape) : null,
          version: shape?.version ?? 0,
          openings: (openings.get(area) ?? []).map((row) => kept<Opening>(row, row.opening)),
          fixtures: (fixtures.get(area) ?? []).map((row) => wholeFixture(kept<Fixture>(row, row.fixture), units)),
        },
      ];
    }),
  );
});

const kept = <Thing extends { id: string }>({ id, version }: { id: string; version: number }, content: string) => ({
  ...(JSON.parse(content) as Thing),
  id,
  version,
});

/** A thing of an older file, of which only its ground was asked, is as its kind usually is. */
const wholeFixture = (thing: Kept<Fixture>, units: LengthSystem): Kept<Fixture> => ({
  ...usualFixture(thing.kind, units),
  ...thing,
});

const NOTHING: Layout = { shape: null, version: 0, openings: [], fixtures: [] };

/** What is drawn of an area. */
export const layoutOf = (job: JobReading, area: string): Layout => layoutsOf(job).get(area) ?? NOTHING;

const measured = ({ shape, openings }: Layout): Measures => (shape ? measuresOf(shape, openings) : {});

/** What an area measures; nothing where it is not drawn. */
export const measuresIn = (job: JobReading, area: string): Measures => measured(layoutOf(job, area));

/** What is drawn of an area as it is now, for whoever is about to change it. */
export const layoutNow = (source: Source, area: string): Layout => layoutOf(jobOfArea(source, area), area);

/** What an area measures as it is drawn now. */
export const measuresNow = (source: Source, area: string): Measures => measured(layoutNow(source, area));
