import type { LayoutView, LevelsView, Neighbour } from '@/contract/views/layout';
import { checkLevels } from '@/core/fit/levels';
import type { Drawing } from '@/core/layout/stroke';
import { drawingOf, type Seen } from '@/core/layout/drawing';
import { measuresOf } from '@/core/layout/measures';
import { phaseFacts, phaseOrder } from '@/core/sequence/phases';
import { formatLength } from '@/core/units/length';
import { calculationsOf } from './quantities';
import { decisionsOf, findingsOf, scopeOf } from './scope-parts';
import { jobHead } from './job-head';
import { areaRow, areaRows, jobRow, stepsByArea } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import { levelMarkRows, sharedWallRows } from '../reading/levels';
import type { JobReading } from '../reading/reading';

/** One area as it is drawn, with what is behind its walls and what follows from it. */
export function layoutView(job: JobReading, area: string): LayoutView {
  const row = areaRow(job, area);
  const layout = layoutOf(job, area);
  return {
    job: jobHead(job),
    area: {
      id: area,
      name: row.name,
      kind: row.kind,
      side: row.side,
      sleeping: row.sleeping === 1,
      atGrade: (row.level_height ?? 0) === 0,
      phases: (stepsByArea(job).get(area) ?? [])
        .map(({ phase, trade }) => ({ phase, trade, label: phaseFacts(phase).label }))
        .sort((a, b) => phaseOrder(a.phase) - phaseOrder(b.phase)),
    },
    shape: layout.shape,
    version: layout.version,
    openings: layout.openings,
    fixtures: layout.fixtures,
    measures: layout.shape ? measuresOf(layout.shape, layout.openings) : {},
    neighbours: neighboursOf(job, area),
    rooms: areaRows(job).flatMap(({ id, name }) => {
      const { shape } = layoutOf(job, id);
      return id !== area && shape?.kind === 'room' ? [{ id, name, walls: shape.walls.length }] : [];
    }),
    calculations: calculationsOf(job, area),
    decisions: decisionsOf(job).flatMap(({ areaId, ...decision }) => (areaId === area ? [decision] : [])),
    findings: findingsOf(job).filter((finding) => finding.area === area),
    scope: scopeOf(job)
      .filter((line) => line.areaId === area)
      .map((line) => ({ id: line.id, text: `${line.verb} ${line.subject}` })),
  };
}

const neighboursOf = (job: JobReading, area: string): Neighbour[] =>
  sharedWallRows(job).flatMap((row): Neighbour[] => {
    if (row.one !== area) return [];
    const { shape, openings, fixtures } = layoutOf(job, row.other);
    const other = areaRows(job).find(({ id }) => id === row.other);
    return shape && other
      ? [
          {
            wall: row.one_wall,
            area: row.other,
            name: other.name,
            otherWall: row.other_wall,
            shape,
            openings,
            fixtures,
            sleeping: other.sleeping === 1,
          },
        ]
      : [];
  });

/** Limits of the usual guidance; a job's own are asked on Bench. mm */
const LIMITS = { groundBelowFloor: 150, footingBelowGround: 450, stepsAlike: 9.5 };

export function levelsView(job: JobReading): LevelsView {
  const { units } = jobRow(job);
  const marks = levelMarkRows(job);
  return {
    job: jobHead(job),
    marks: marks.map(({ id, version, name, kind, mm, typed }) => ({ id, version, name, kind, mm, typed })),
    problems: checkLevels(
      marks.map(({ name, kind, mm }) => ({ name, kind, level: mm })),
      LIMITS,
      (mm) => formatLength(mm, units),
    ),
  };
}

/** The drawing of an area, of its ceiling, or of one wall of a room; nothing where it is not drawn. */
export function areaDrawing(
  job: JobReading,
  area: string,
  seen?: Seen,
): { drawing: Drawing; name: string } | undefined {
  const { name } = areaRow(job, area);
  const { units } = jobRow(job);
  const { shape, openings, fixtures } = layoutOf(job, area);
  const drawing = shape ? drawingOf(name, shape, openings, fixtures, units, seen) : undefined;
  return drawing && { drawing, name };
}
