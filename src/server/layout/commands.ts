import type { InferType } from 'yup';
import {
  addLevelMark,
  addOpening,
  addPlaced,
  asShape,
  changeLevelMark,
  changeOpening,
  changePlaced,
  describeArea,
  importOpenings,
  importShapes,
  moveWallCommand,
  setShape,
  shareWall,
} from '@/contract/commands/layout';
import { adoptMeasurement } from '@/contract/commands/walks';
import { checkOpening, wallLength } from '@/core/layout/check-openings';
import { moveWall } from '@/core/layout/move-wall';
import { outlineOf } from '@/core/layout/room-outline';
import { wallName, type Opening, type Placed, type RoomShape, type Shape } from '@/core/layout/shape';
import { formatLength, type LengthSystem } from '@/core/units/length';
import type { AreaKind } from '@/core/sites/area';
import { flag, insert, one, run, update } from '../database/query';
import { handler, need, needAreaOf, needVersion, type Handler, type Visit } from '../door/handler';
import { Refusal, stale, unfit } from '../door/refusal';
import { recalculateArea } from '../quantities/recalculate';
import { recordDecision } from '../scope/decisions';
import { shaped } from '../walks/queries';
import { openingsOf, placedOf, readLayout } from './read-layout';

interface AreaRow {
  id: string;
  job: string;
  name: string;
  kind: AreaKind;
}

const SHAPE_OF: Record<AreaKind, readonly Shape['kind'][]> = {
  room: ['room'],
  wet: ['room'],
  outbuilding: ['room', 'face'],
  face: ['face'],
  roof: ['roof', 'face'],
  ground: ['run', 'room'],
};

const needArea = (visit: Visit, id: string, field = 'area'): AreaRow => need<AreaRow>(visit, 'area', id, field);
const unitsOf = (visit: Visit, job: string): LengthSystem =>
  one<{ units: LengthSystem }>(visit.db, 'SELECT units FROM job WHERE id = @job', { job })?.units ?? 'metric';

/**
 * Refuses a shape that does not hold together or does not belong to such an area. Openings may be in it that no longer
 * fit: the plan says so.
 */
function checkShape(area: AreaRow, shape: Shape, field: string): void {
  if (!SHAPE_OF[area.kind].includes(shape.kind))
    throw unfit('shape-elsewhere', `${area.name} is not drawn as a ${shape.kind}.`, field);
  const outline = shape.kind === 'room' ? outlineOf(shape) : undefined;
  if (outline && !outline.ok)
    throw new Refusal(422, { ...outline.problem, field: `${field}.${outline.problem.field ?? 'walls'}` });
}

function putShape(visit: Visit, area: string, shape: Shape): void {
  run(
    visit.db,
    `INSERT INTO shape (area, shape)
      VALUES (@area, @shape)
      ON CONFLICT (area) DO UPDATE SET shape = excluded.shape, version = version + 1`,
    { area, shape: JSON.stringify(shape) },
  );
}

type Fields = Omit<InferType<typeof addOpening.schema>, 'id' | 'area'>;

/** The opening, if its wall takes it; the first thing that does not fit is said beside its field. */
function checked(visit: Visit, area: AreaRow, id: string, fields: Fields, prefix = ''): Opening {
  const opening = { ...fields, id };
  const { shape, openings } = readLayout(visit.db, area.id);
  if (!shape)
    throw unfit('not-drawn', `${area.name} is not drawn yet: draw its walls or sections first.`, `${prefix}wall`);
  const [problem] = checkOpening(shape, opening, openings, unitsOf(visit, area.job));
  if (problem) throw new Refusal(422, { ...problem, field: `${prefix}${problem.field ?? 'wall'}` });
  return opening;
}

const content = ({ id: _, ...rest }: { id: string }): string => JSON.stringify(rest);

function checkPlaced(visit: Visit, area: AreaRow, wall: number, along: number, width: number): void {
  const { shape } = readLayout(visit.db, area.id);
  if (shape?.kind !== 'room') throw unfit('not-drawn', 'Draw the room first.', 'wall');
  const length = wallLength(shape, wall);
  if (length === undefined) throw unfit('no-such-wall', `There is no ${wallName(wall)} here.`, 'wall');
  if (along + width > length + 0.5)
    throw unfit(
      'past-end',
      `It ends past the end of its wall, which is ${formatLength(length, unitsOf(visit, area.job))} long.`,
      'along',
    );
}

export const layoutHandlers: Handler[] = [
  handler(setShape, (visit, { area, version, shape }) => {
    const row = needArea(visit, area);
    const known = one<{ version: number }>(visit.db, 'SELECT version FROM shape WHERE area = @area', { area });
    if ((known?.version ?? 0) !== version) throw stale('drawing', known);
    checkShape(row, asShape(shape), 'shape');
    putShape(visit, area, asShape(shape));
    recalculateArea(visit, area);
    visit.touches(row.job);
  }),
  handler(importShapes, (visit, { job, shapes }) => {
    shapes.forEach(({ area, shape }, at) => {
      needAreaOf(visit, job, area, `shapes[${at}].area`);
      checkShape(needArea(visit, area), asShape(shape), `shapes[${at}].shape`);
      putShape(visit, area, asShape(shape));
      recalculateArea(visit, area);
    });
    visit.touches(job);
  }),
  handler(adoptMeasurement, (visit, { about }) => {
    const row = need<Record<string, unknown>>(visit, 'observation', about, 'about');
    const seen = shaped(row);
    const of = seen.kind === 'measurement' ? seen.of : undefined;
    if (seen.kind !== 'measurement' || !of)
      throw unfit('not-drawn', 'This size belongs to nothing that is drawn.', 'about');
    const area = needArea(visit, seen.area);
    const size = { mm: seen.mm, typed: seen.typed };
    const { shape, openings } = readLayout(visit.db, area.id);
    if (of.what === 'opening') {
      const known = openings.find((one_) => one_.id === of.opening);
      if (!known) throw unfit('no-such-opening', 'This opening is not in the drawing any more.', 'about');
      const { version: _, ...opening } = known;
      update(visit.db, 'opening', opening.id, {
        opening: content(checked(visit, area, opening.id, { ...opening, [of.side]: size })),
      });
    } else {
      if (shape?.kind !== 'room') throw unfit('not-drawn', 'The room is not drawn any more.', 'about');
      const walls =
        of.what === 'wall'
          ? shape.walls.map((wall, at) => (at === of.wall ? { ...wall, ...size } : wall))
          : shape.walls;
      const changed: RoomShape = { ...shape, walls, ...(of.what === 'height' ? { height: size } : {}) };
      checkShape(area, changed, 'about');
      putShape(visit, area.id, changed);
    }
    recalculateArea(visit, area.id);
    visit.touches(area.job);
  }),
  handler(addOpening, (visit, { id, area, ...fields }) => {
    const row = needArea(visit, area);
    insert(visit.db, 'opening', { id, area, opening: content(checked(visit, row, id, fields)) });
    recalculateArea(visit, area);
    visit.touches(row.job);
  }),
  handler(changeOpening, (visit, { id, version, ...fields }) => {
    const { area } = needVersion<{ version: number; area: string }>(visit, 'opening', id, version);
    const row = needArea(visit, area);
    update(visit.db, 'opening', id, { opening: content(checked(visit, row, id, fields)) });
    recalculateArea(visit, area);
    visit.touches(row.job);
  }),
  handler(importOpenings, (visit, { job, openings }) => {
    openings.forEach(({ id, area, ...fields }, at) => {
      needAreaOf(visit, job, area, `openings[${at}].area`);
      insert(visit.db, 'opening', {
        id,
        area,
        opening: content(checked(visit, needArea(visit, area), id, fields, `openings[${at}].`)),
      });
    });
    for (const area of new Set(openings.map((opening) => opening.area))) recalculateArea(visit, area);
    visit.touches(job);
  }),
  handler(addPlaced, (visit, { id, area, ...thing }) => {
    const row = needArea(visit, area);
    checkPlaced(visit, row, thing.wall, thing.along.mm, thing.width.mm);
    insert(visit.db, 'placed', { id, area, placed: JSON.stringify(thing) });
    visit.touches(row.job);
  }),
  handler(changePlaced, (visit, { id, version, ...thing }) => {
    const { area } = needVersion<{ version: number; area: string }>(visit, 'placed', id, version);
    const row = needArea(visit, area);
    checkPlaced(visit, row, thing.wall, thing.along.mm, thing.width.mm);
    update(visit.db, 'placed', id, { placed: JSON.stringify(thing) });
    visit.touches(row.job);
  }),
  handler(describeArea, (visit, { id, side, sleeping }) => {
    const row = needArea(visit, id, 'id');
    update(visit.db, 'area', id, { side, sleeping: flag(sleeping) });
    visit.touches(row.job);
  }),
  handler(shareWall, (visit, { one: here, other: there }) => {
    const [first, second] = [needArea(visit, here.area, 'one.area'), needArea(visit, there.area, 'other.area')];
    if (first.id === second.id || first.job !== second.job)
      throw unfit('not-neighbours', 'Two different areas of one job can share a wall.', 'other.area');
    for (const [end, field] of [
      [here, 'one.wall'],
      [there, 'other.wall'],
    ] as const) {
      const { shape } = readLayout(visit.db, end.area);
      if (shape?.kind !== 'room' || !shape.walls[end.wall])
        throw unfit('no-such-wall', `There is no ${wallName(end.wall)} there; draw the room first.`, field);
    }
    run(
      visit.db,
      `DELETE
        FROM shared_wall
        WHERE (one = @a AND one_wall = @aw) OR (other = @a AND other_wall = @aw) OR (one = @b AND one_wall = @bw)
          OR (other = @b AND other_wall = @bw)`,
      { a: here.area, aw: here.wall, b: there.area, bw: there.wall },
    );
    for (const [a, b] of [
      [here, there],
      [there, here],
    ] as const)
      insert(visit.db, 'shared_wall', { one: a.area, one_wall: a.wall, other: b.area, other_wall: b.wall });
    run(visit.db, 'INSERT OR IGNORE INTO beside (one, other) VALUES (@one, @other)', {
      one: here.area < there.area ? here.area : there.area,
      other: here.area < there.area ? there.area : here.area,
    });
    visit.mark(first.job, 'a shared wall was set');
  }),
  handler(moveWallCommand, (visit, { area, version, wall, by, reason, decisionId }) => {
    const row = needArea(visit, area);
    const behind = one<{ other: string; other_wall: number }>(
      visit.db,
      'SELECT other, other_wall FROM shared_wall WHERE one = @area AND one_wall = @wall',
      { area, wall },
    );
    moveOne(visit, row, wall, by, version);
    const there = behind && needArea(visit, behind.other);
    if (there) moveOne(visit, there, behind.other_wall, -by);
    const system = unitsOf(visit, row.job);
    recordDecision(visit, {
      id: decisionId,
      job: row.job,
      area,
      subject:
        `${row.name}: ${wallName(wall)} moved ${by > 0 ? 'out' : 'in'} by ` +
        `${formatLength(Math.abs(by), system)}${there ? `, ${there.name} ${by > 0 ? 'gives way' : 'grows'}` : ''}`,
      reason,
    });
    visit.touches(row.job);
  }),
  handler(addLevelMark, (visit, { id, job, name, kind, level }) => {
    need(visit, 'job', job, 'job');
    insert(visit.db, 'level_mark', { id, job, name, kind, mm: level.mm, typed: level.typed });
    visit.touches(job);
  }),
  handler(changeLevelMark, (visit, { id, version, name, kind, level }) => {
    const { job } = needVersion<{ version: number; job: string }>(visit, 'level_mark', id, version);
    update(visit.db, 'level_mark', id, { name, kind, mm: level.mm, typed: level.typed });
    visit.touches(job);
  }),
];

/** One side of a moved wall: the room, and what stands on its walls. */
function moveOne(visit: Visit, area: AreaRow, wall: number, outward: number, version?: number): void {
  const { shape, version: known } = readLayout(visit.db, area.id);
  if (version !== undefined && version !== known) throw stale('drawing', { version: known });
  if (shape?.kind !== 'room') throw unfit('not-drawn', `${area.name} is not drawn yet.`, 'wall');
  if (!shape.walls[wall]) throw unfit('no-such-wall', `There is no ${wallName(wall)} in ${area.name}.`, 'wall');
  const [openings, placed] = [openingsOf(visit.db, area.id), placedOf(visit.db, area.id)];
  const moved = moveWall(shape satisfies RoomShape, openings, placed, wall, outward);
  if (!moved.ok) throw unfit(moved.problem.code, `${area.name}: ${moved.problem.message}`, 'by');
  putShape(visit, area.id, moved.value.shape);
  const keep = <Thing extends Opening | Placed>(
    table: 'opening' | 'placed',
    things: readonly Thing[],
    before: readonly Thing[],
  ): void => {
    for (const [at, thing] of things.entries()) {
      if (thing === before[at]) continue;
      const { id, version: _, ...rest } = thing as Thing & { version: number };
      update(visit.db, table, id, { [table]: JSON.stringify(rest) });
    }
  };
  keep('opening', moved.value.openings, openings);
  keep('placed', moved.value.placed, placed);
  recalculateArea(visit, area.id);
}
