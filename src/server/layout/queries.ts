import type { LayoutView, LevelsView, Neighbour } from '@/contract/views/layout';
import { checkLevels, type LevelKind } from '@/core/fit/levels';
import type { Drawing } from '@/core/layout/drawing';
import { drawingOf, wallElevation } from '@/core/layout/drawing';
import { measuresOf } from '@/core/layout/measures';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import { formatLength } from '@/core/units/length';
import { queryAll, queryOne } from '../database/query';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { calculationsOf } from '../quantities/queries';
import type { AreaRow } from '../schedule/read-site';
import { decisionsOf, findingsOf, scopeOf } from '../scope/read-scope';
import { jobHead, requireJob } from '../sites/queries';
import { readLayout } from './read-layout';

type Row = AreaRow & { side: string; sleeping: 0 | 1 };

function needArea(installation: Installation, job: string, area: string): Row {
  const row = queryOne<Row>(installation.db, 'SELECT * FROM area WHERE id = @area AND job = @job', { area, job });
  if (!row) throw notFound('area in this job');
  return row;
}

/** One area as it is drawn, with what is behind its walls and what follows from it. */
export function layoutView(installation: Installation, job: string, area: string): LayoutView {
  const { db } = installation;
  const row = needArea(installation, job, area);
  const { units } = requireJob(db, job);
  const layout = readLayout(db, area);
  const height =
    queryOne<{ height: number }>(db, 'SELECT height FROM level WHERE id = @level', { level: row.level })?.height ?? 0;
  const rooms = queryAll<{ id: string; name: string; shape: string }>(
    db,
    `SELECT area.id, area.name, shape
      FROM area
      JOIN shape ON shape.area = area.id
      WHERE area.job = @job AND area.id <> @area
      ORDER BY area.position`,
    { job, area },
  );
  return {
    job: jobHead(installation, job),
    area: {
      id: area,
      name: row.name,
      kind: row.kind,
      side: row.side,
      sleeping: row.sleeping === 1,
      atGrade: height === 0,
      phases: queryAll<{ phase: Phase; trade: Trade }>(db, 'SELECT phase, trade FROM step WHERE area = @area', { area })
        .sort((a, b) => phaseOrder(a.phase) - phaseOrder(b.phase))
        .map((step) => ({ ...step, label: phaseFacts(step.phase).label })),
    },
    shape: layout.shape,
    version: layout.version,
    openings: layout.openings,
    fixtures: layout.fixtures,
    measures: layout.shape ? measuresOf(layout.shape, layout.openings) : {},
    neighbours: neighboursOf(installation, area),
    rooms: rooms.flatMap(({ id, name, shape }) => {
      const parsed = JSON.parse(shape) as { kind: string; walls?: unknown[] };
      return parsed.kind === 'room' ? [{ id, name, walls: parsed.walls?.length ?? 0 }] : [];
    }),
    calculations: calculationsOf(db, job, units, area),
    decisions: decisionsOf(installation, job, area),
    findings: findingsOf(db, job).filter((finding) => finding.area === area),
    scope: scopeOf(db, job)
      .filter((line) => line.areaId === area)
      .map((line) => ({ id: line.id, text: `${line.verb} ${line.subject}` })),
  };
}

function neighboursOf(installation: Installation, area: string): Neighbour[] {
  return queryAll<{ wall: number; area: string; name: string; other_wall: number; sleeping: 0 | 1 }>(
    installation.db,
    `SELECT one_wall AS wall, other AS area, area.name, other_wall, area.sleeping
      FROM shared_wall
      JOIN area ON area.id = other
      WHERE one = @area
      ORDER BY one_wall`,
    { area },
  ).flatMap((row) => {
    const { shape, openings, fixtures: fixtures } = readLayout(installation.db, row.area);
    return shape
      ? [
          {
            wall: row.wall,
            area: row.area,
            name: row.name,
            otherWall: row.other_wall,
            shape,
            openings,
            fixtures,
            sleeping: row.sleeping === 1,
          },
        ]
      : [];
  });
}

/** Limits of the usual guidance; a job's own are asked on Bench. mm */
const LIMITS = { groundBelowFloor: 150, footingBelowGround: 450, stepsAlike: 9.5 };

export function levelsView(installation: Installation, job: string): LevelsView {
  const marks = queryAll<LevelsView['marks'][number] & { kind: LevelKind }>(
    installation.db,
    `SELECT id, version, name, kind, mm, typed
      FROM level_mark
      WHERE job = @job AND removed = 0
      ORDER BY mm DESC`,
    { job },
  );
  const { units } = requireJob(installation.db, job);
  return {
    job: jobHead(installation, job),
    marks,
    problems: checkLevels(
      marks.map(({ name, kind, mm }) => ({ name, kind, level: mm })),
      LIMITS,
      (mm) => formatLength(mm, units),
    ),
  };
}

/** The drawing of an area, or of one wall of a room; nothing where it is not drawn. */
export function areaDrawing(
  installation: Installation,
  area: string,
  wall?: number,
): { drawing: Drawing; name: string } | undefined {
  const row = queryOne<Row>(installation.db, 'SELECT * FROM area WHERE id = @area', { area });
  if (!row) throw notFound('area');
  const { units } = requireJob(installation.db, row.job);
  const { shape, openings, fixtures: fixtures } = readLayout(installation.db, area);
  const drawing = !shape
    ? undefined
    : wall === undefined
      ? drawingOf(row.name, shape, openings, fixtures, units)
      : shape.kind === 'room'
        ? wallElevation(row.name, shape, openings, wall, units)
        : undefined;
  return drawing && { drawing, name: row.name };
}
