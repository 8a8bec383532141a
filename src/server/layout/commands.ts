import type { InferType } from 'yup';
import { addOpening as addOpeningCommand, asShape } from '@/contract/commands/layout';
import { checkOpening, wallLength } from '@/core/layout/check-openings';
import { wrongSlope } from '@/core/layout/ceiling';
import { moveWall } from '@/core/layout/move-wall';
import { outlineOf } from '@/core/layout/room-outline';
import { usualFixture, wallName, type Fixture, type Opening, type RoomShape, type Shape } from '@/core/layout/shape';
import { formatLength, type LengthSystem } from '@/core/units/length';
import type { AreaKind } from '@/core/sites/area';
import { flag, insert, queryOne, execute, update } from '../database/query';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireVersion,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { Refusal, conflict, unprocessable } from '../refusal';
import { recalculateArea } from '../quantities/recalculate';
import { changeArea, putBeside } from '../sites/areas';
import { recordDecision } from '../sites/decisions';
import { layoutNow } from '../reading/layouts';
import { shaped } from '../reading/records';
import type { Rows } from '../database/rows';
import { addFixture, addOpening, changeFixture, changeOpening, putShape } from './drawing';

type AreaRow = Pick<Rows['area'], 'id' | 'job' | 'name' | 'kind'>;

const SHAPE_OF: Record<AreaKind, readonly Shape['kind'][]> = {
  room: ['room'],
  wet: ['room'],
  outbuilding: ['room', 'face'],
  face: ['face'],
  roof: ['roof', 'face'],
  ground: ['run', 'room'],
};

const needArea = (context: CommandContext, id: string, field = 'area'): AreaRow =>
  requireRow(context, 'area', id, field);
const unitsOf = (context: CommandContext, job: string): LengthSystem =>
  queryOne<{ units: LengthSystem }>(context.db, 'SELECT units FROM job WHERE id = @job', { job })?.units ?? 'metric';

/**
 * Refuses a shape that does not hold together or does not belong to such an area. Openings may be in it that no longer
 * fit: the plan says so.
 */
function checkShape(context: CommandContext, area: AreaRow, shape: Shape, field: string): void {
  if (!SHAPE_OF[area.kind].includes(shape.kind))
    throw unprocessable('shape-elsewhere', `${area.name} is not drawn as a ${shape.kind}.`, field);
  const outline = shape.kind === 'room' ? outlineOf(shape, unitsOf(context, area.job)) : undefined;
  if (outline && !outline.ok)
    throw new Refusal(422, { ...outline.problem, field: `${field}.${outline.problem.field ?? 'walls'}` });
  const slope = shape.kind === 'room' ? wrongSlope(shape) : undefined;
  if (slope) throw unprocessable('no-such-slope', slope.message, `${field}.slopes[${slope.slope}].${slope.part}`);
}

type Fields = Omit<InferType<typeof addOpeningCommand.schema>, 'id' | 'area'>;

/** The opening, if its wall takes it; the first thing that does not fit is said beside its field. */
function checked(context: CommandContext, area: AreaRow, id: string, fields: Fields, prefix = ''): Opening {
  const opening = { ...fields, id };
  const { shape, openings } = layoutNow(context.installation, area.id);
  if (!shape)
    throw unprocessable(
      'not-drawn',
      `${area.name} is not drawn yet: draw its walls or sections first.`,
      `${prefix}wall`,
    );
  const [problem] = checkOpening(shape, opening, openings, unitsOf(context, area.job));
  if (problem) throw new Refusal(422, { ...problem, field: `${prefix}${problem.field ?? 'wall'}` });
  return opening;
}

function checkPlaced(context: CommandContext, area: AreaRow, wall: number, along: number, width: number): void {
  const { shape } = layoutNow(context.installation, area.id);
  if (shape?.kind !== 'room') throw unprocessable('not-drawn', 'Draw the room first.', 'wall');
  const length = wallLength(shape, wall);
  if (length === undefined) throw unprocessable('no-such-wall', `There is no ${wallName(wall)} here.`, 'wall');
  if (along + width > length + 0.5)
    throw unprocessable(
      'past-end',
      `It ends past the end of its wall, which is ${formatLength(length, unitsOf(context, area.job))} long.`,
      'along',
    );
}

/** A thing with what is usual of its kind where nobody said how tall it is. */
const wholeFixture = <Given extends Pick<Fixture, 'kind'> & { tall?: Fixture['tall'] | undefined }>(
  thing: Given,
  system: LengthSystem,
) => ({ ...thing, tall: thing.tall ?? usualFixture(thing.kind, system).tall });

export const layoutHandlers = handlers({
  'shape.set': (context, { area, version, shape }) => {
    const row = needArea(context, area);
    const known = queryOne<{ version: number }>(context.db, 'SELECT version FROM shape WHERE area = @area', { area });
    if ((known?.version ?? 0) !== version) throw conflict('drawing', known);
    checkShape(context, row, asShape(shape), 'shape');
    putShape(context.db, area, asShape(shape));
    recalculateArea(context, area);
    context.logFor(row.job);
  },
  'shapes.import': (context, { job, shapes }) => {
    shapes.forEach(({ area, shape }, index) => {
      requireAreaOf(context, job, area, `shapes[${index}].area`);
      checkShape(context, needArea(context, area), asShape(shape), `shapes[${index}].shape`);
      putShape(context.db, area, asShape(shape));
      recalculateArea(context, area);
    });
    context.logFor(job);
  },
  'measurement.adopt': (context, { about }) => {
    const row = requireRow(context, 'observation', about, 'about');
    const seen = shaped(row);
    const of = seen.kind === 'measurement' ? seen.of : undefined;
    if (seen.kind !== 'measurement' || !of)
      throw unprocessable('not-drawn', 'This size belongs to nothing that is drawn.', 'about');
    const area = needArea(context, seen.area);
    const size = { mm: seen.mm, typed: seen.typed };
    const { shape, openings } = layoutNow(context.installation, area.id);
    if (of.what === 'opening') {
      const known = openings.find((opening) => opening.id === of.opening);
      if (!known) throw unprocessable('no-such-opening', 'This opening is not in the drawing any more.', 'about');
      const { version: _, ...opening } = known;
      changeOpening(context.db, checked(context, area, opening.id, { ...opening, [of.side]: size }));
    } else {
      if (shape?.kind !== 'room') throw unprocessable('not-drawn', 'The room is not drawn any more.', 'about');
      const walls =
        of.what === 'wall'
          ? shape.walls.map((wall, index) => (index === of.wall ? { ...wall, ...size } : wall))
          : shape.walls;
      const changed: RoomShape = { ...shape, walls, ...(of.what === 'height' ? { height: size } : {}) };
      checkShape(context, area, changed, 'about');
      putShape(context.db, area.id, changed);
    }
    recalculateArea(context, area.id);
    context.logFor(area.job);
  },
  'opening.add': (context, { id, area, ...fields }) => {
    const row = needArea(context, area);
    addOpening(context.db, area, checked(context, row, id, fields));
    recalculateArea(context, area);
    context.logFor(row.job);
  },
  'opening.change': (context, { id, version, ...fields }) => {
    const { area } = requireVersion(context, 'opening', id, version);
    const row = needArea(context, area);
    changeOpening(context.db, checked(context, row, id, fields));
    recalculateArea(context, area);
    context.logFor(row.job);
  },
  'openings.import': (context, { job, openings }) => {
    openings.forEach(({ id, area, ...fields }, index) => {
      requireAreaOf(context, job, area, `openings[${index}].area`);
      addOpening(context.db, area, checked(context, needArea(context, area), id, fields, `openings[${index}].`));
    });
    for (const area of new Set(openings.map((opening) => opening.area))) recalculateArea(context, area);
    context.logFor(job);
  },
  'fixture.add': (context, { id, area, ...thing }) => {
    const row = needArea(context, area);
    checkPlaced(context, row, thing.wall, thing.along.mm, thing.width.mm);
    addFixture(context.db, area, { id, ...wholeFixture(thing, unitsOf(context, row.job)) });
    context.logFor(row.job);
  },
  'fixture.change': (context, { id, version, ...thing }) => {
    const { area } = requireVersion(context, 'fixture', id, version);
    const row = needArea(context, area);
    checkPlaced(context, row, thing.wall, thing.along.mm, thing.width.mm);
    changeFixture(context.db, { id, ...wholeFixture(thing, unitsOf(context, row.job)) });
    context.logFor(row.job);
  },
  'area.describe': (context, { id, side, sleeping }) => {
    const row = needArea(context, id, 'id');
    changeArea(context.db, id, { side, sleeping: flag(sleeping) });
    context.logFor(row.job);
  },
  'wall.share': (context, { one: here, other: there }) => {
    const [first, second] = [needArea(context, here.area, 'one.area'), needArea(context, there.area, 'other.area')];
    if (first.id === second.id || first.job !== second.job)
      throw unprocessable('not-neighbours', 'Two different areas of one job can share a wall.', 'other.area');
    for (const [end, field] of [
      [here, 'one.wall'],
      [there, 'other.wall'],
    ] as const) {
      const { shape } = layoutNow(context.installation, end.area);
      if (shape?.kind !== 'room' || !shape.walls[end.wall])
        throw unprocessable('no-such-wall', `There is no ${wallName(end.wall)} there; draw the room first.`, field);
    }
    execute(
      context.db,
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
      insert(context.db, 'shared_wall', { one: a.area, one_wall: a.wall, other: b.area, other_wall: b.wall });
    putBeside(context.db, here.area, there.area);
    context.replan(first.job, {
      kind: 'beside',
      areas: [first.id, second.id],
      places: [first.name, second.name],
    });
  },
  'wall.move': (context, { area, version, wall, by, reason, decisionId }) => {
    const row = needArea(context, area);
    const behind = queryOne<{ other: string; other_wall: number }>(
      context.db,
      'SELECT other, other_wall FROM shared_wall WHERE one = @area AND one_wall = @wall',
      { area, wall },
    );
    moveOne(context, row, wall, by, version);
    const there = behind && needArea(context, behind.other);
    if (there) moveOne(context, there, behind.other_wall, -by);
    const system = unitsOf(context, row.job);
    recordDecision(context, {
      id: decisionId,
      job: row.job,
      area,
      subject:
        `${row.name}: ${wallName(wall)} moved ${by > 0 ? 'out' : 'in'} by ` +
        `${formatLength(Math.abs(by), system)}${there ? `, ${there.name} ${by > 0 ? 'gives way' : 'grows'}` : ''}`,
      reason,
    });
    context.logFor(row.job);
  },
  'level.add': (context, { id, job, name, kind, level }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'level_mark', { id, job, name, kind, mm: level.mm, typed: level.typed });
    context.logFor(job);
  },
  'level.change': (context, { id, version, name, kind, level }) => {
    const { job } = requireVersion(context, 'level_mark', id, version);
    update(context.db, 'level_mark', id, { name, kind, mm: level.mm, typed: level.typed });
    context.logFor(job);
  },
});

/** One side of a moved wall: the room, and what stands on its walls. */
function moveOne(context: PlanContext, area: AreaRow, wall: number, outward: number, version?: number): void {
  const { shape, version: known, openings, fixtures } = layoutNow(context.installation, area.id);
  if (version !== undefined && version !== known) throw conflict('drawing', { version: known });
  if (shape?.kind !== 'room') throw unprocessable('not-drawn', `${area.name} is not drawn yet.`, 'wall');
  if (!shape.walls[wall]) throw unprocessable('no-such-wall', `There is no ${wallName(wall)} in ${area.name}.`, 'wall');
  const moved = moveWall(shape satisfies RoomShape, openings, fixtures, wall, outward, unitsOf(context, area.job));
  if (!moved.ok) throw unprocessable(moved.problem.code, `${area.name}: ${moved.problem.message}`, 'by');
  putShape(context.db, area.id, moved.value.shape);
  moved.value.openings.forEach((opening, at) => {
    if (opening !== openings[at]) changeOpening(context.db, opening);
  });
  moved.value.fixtures.forEach((fixture, at) => {
    if (fixture !== fixtures[at]) changeFixture(context.db, fixture);
  });
  recalculateArea(context, area.id);
}
