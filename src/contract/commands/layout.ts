import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { OPENING_KINDS, PLACED_KINDS, type OpeningKind, type FixtureKind, type Shape } from '@/core/layout/shape';
import { LEVEL_KINDS, type LevelKind } from '@/core/fit/levels';
import { LONGEST_MM } from '@/core/units/length';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const mm = (what: string) =>
  number()
    .typeError(`${what} must be a length`)
    .required(`${what} is missing`)
    .max(LONGEST_MM, `${what}: over a kilometre cannot be meant`);
/** A length over 0, with its text. */
export const size = (what: string) =>
  object({ mm: mm(what).moreThan(0, `${what} is over 0`), typed: field.line(what, 40) })
    .noUnknown()
    .required(`${what} is missing`);
const place = (what: string) =>
  object({ mm: mm(what).min(0, `${what} is not under 0`), typed: string().max(40).default('') })
    .noUnknown()
    .required(`${what} is missing`);
/** Against the datum: over or under it. */
const level = (what: string) =>
  object({ mm: mm(what).min(-LONGEST_MM, `${what}: over a kilometre cannot be meant`), typed: field.line(what, 40) })
    .noUnknown()
    .required(`${what} is missing`);

const shapes = {
  room: object({
    kind: string<'room'>().required(),
    height: size('the height'),
    spread: boolean().default(false),
    slopes: array(
      object({
        wall: field.whole('the wall', 0, 200),
        low: place('the height at the wall'),
        run: size('how far in the slope ends'),
      }).noUnknown(),
    )
      .max(8, 'at most eight slopes')
      .optional()
      .default(undefined),
    walls: array(
      object({
        mm: mm('the wall').moreThan(0, 'a wall is longer than 0'),
        typed: field.line('the wall', 40),
        turn: number()
          .typeError('the turn must be a number of degrees')
          .required('the turn is missing')
          .moreThan(-180, 'a turn is between −180 and 180 degrees')
          .lessThan(180, 'a turn is between −180 and 180 degrees'),
      }).noUnknown(),
    )
      .required('the walls are missing')
      .min(3, 'a room has at least three walls')
      .max(80, 'at most 80 walls'),
  }).noUnknown(),
  face: object({
    kind: string<'face'>().required(),
    sections: array(
      object({ width: size('the width'), height: place('the height'), gableRise: place('the gable') })
        .noUnknown()
        // A gable alone stands on a wall of another material.
        .test('some-height', (section, context) =>
          section.height.mm + section.gableRise.mm > 0
            ? true
            : context.createError({ path: `${context.path}.height`, message: 'the height is over 0, or the gable is' }),
        ),
    )
      .required('the sections are missing')
      .min(1, 'a face has at least one section')
      .max(60),
  }).noUnknown(),
  roof: object({
    kind: string<'roof'>().required(),
    width: size('the width'),
    length: size('the length'),
    riseIn12: number()
      .typeError('the slope must be a number')
      .required('the slope is missing')
      .min(0, 'a slope is not under 0')
      .max(60, 'over 60 in 12 cannot be meant'),
  }).noUnknown(),
  run: object({
    kind: string<'run'>().required(),
    outletInvert: level('the outlet'),
    headMaxInvert: level('the highest head'),
    pipe: size('the pipe').optional().default(undefined),
    legs: array(
      object({
        length: size('the leg'),
        fall: number()
          .typeError('the fall must be a number')
          .required('the fall is missing')
          .min(0, 'a fall is not under 0')
          .max(1, 'a fall over 1:1 cannot be meant'),
      }).noUnknown(),
    )
      .required('the legs are missing')
      .min(1, 'a drain has at least one leg')
      .max(60),
  }).noUnknown(),
};
const isShape = (kind: unknown): kind is keyof typeof shapes => typeof kind === 'string' && Object.hasOwn(shapes, kind);
const shape = () =>
  lazy((value: unknown) => {
    const kind = typeof value === 'object' && value !== null ? (value as { kind?: unknown }).kind : undefined;
    return isShape(kind)
      ? shapes[kind].required()
      : mixed()
          .required('the shape is missing')
          .test('kind', `a shape is one of: ${Object.keys(shapes).join(', ')}`, () => false);
  });

/** `version` is 0 where nothing was drawn yet. */
export const setShape = command(
  'shape.set',
  EVERYBODY,
  'plan',
  object({ area: field.id('the area'), version: field.whole('version', 0, 1_000_000), shape: shape() }).noUnknown(),
);
export const importShapes = command(
  'shapes.import',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    shapes: array(object({ area: field.id('the area'), shape: shape() }).noUnknown())
      .required()
      .min(1, 'nothing was read')
      .max(300),
  }).noUnknown(),
);

const openingKinds = Object.keys(OPENING_KINDS) as OpeningKind[];
const openingFields = {
  wall: field.whole('the wall', 0, 200),
  kind: field.oneOf('the kind', openingKinds),
  name: field.optionalLine('the name', 40).default(''),
  width: size('the width'),
  height: size('the height'),
  sill: place('the sill'),
  along: place('how far from the left').nullable().default(null),
  count: field.whole('how many', 1, 200),
  hinge: field.oneOf('the hinge', ['left', 'right'] as const),
  opensIn: boolean().default(true),
  clear: object({ width: size('the clear width'), height: size('the clear height') })
    .noUnknown()
    .nullable()
    .default(null),
};
export const addOpening = command(
  'opening.add',
  EVERYBODY,
  'plan',
  object({ id: field.id(), area: field.id('the area'), ...openingFields }).noUnknown(),
);
export const changeOpening = command(
  'opening.change',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), ...openingFields }).noUnknown(),
);
export const importOpenings = command(
  'openings.import',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    openings: array(object({ id: field.id(), area: field.id('the area'), ...openingFields }).noUnknown())
      .required()
      .min(1, 'nothing was read')
      .max(1000),
  }).noUnknown(),
);

const placedFields = {
  wall: field.whole('the wall', 0, 200),
  kind: field.oneOf('the kind', Object.keys(PLACED_KINDS) as FixtureKind[]),
  name: field.line('what it is', 40),
  along: place('how far from the left'),
  width: size('the width'),
  depth: size('the depth'),
  front: place('free in front'),
  away: place('how far from its wall').default(() => ({ mm: 0, typed: '0' })),
  bottom: place('how high over the floor').default(() => ({ mm: 0, typed: '0' })),
  /** Where it is not said, as tall as its kind usually is. */
  tall: size('how tall it is').optional().default(undefined),
  hinge: string<'left' | 'right' | 'none'>()
    .oneOf(['left', 'right', 'none'], 'a door hangs left, right, or there is none')
    .default('none'),
  handle: place('the handle').default(() => ({ mm: 0, typed: '0' })),
};
export const addFixture = command(
  'fixture.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), area: field.id('the area'), ...placedFields }).noUnknown(),
);
export const changeFixture = command(
  'fixture.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...placedFields }).noUnknown(),
);

export const describeArea = command(
  'area.describe',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    side: field.optionalLine('the side', 30).default(''),
    sleeping: boolean().default(false),
  }).noUnknown(),
);

const end = () => ({ area: field.id('the area'), wall: field.whole('the wall', 0, 200) });
/** Says that a wall here and a wall there are the two sides of one. */
export const shareWall = command(
  'wall.share',
  EVERYBODY,
  'plan',
  object({ one: object(end()).noUnknown(), other: object(end()).noUnknown() }).noUnknown(),
);
/**
 * Moves a wall outward by so much (under 0: inward) in this room and the other way in the one behind it, and keeps why.
 */
export const moveWallCommand = command(
  'wall.move',
  OFFICE,
  'plan',
  object({
    area: field.id('the area'),
    version: field.version(),
    wall: field.whole('the wall', 0, 200),
    by: number()
      .typeError('how far must be a length')
      .required('how far is missing')
      .notOneOf([0], 'a wall moves by more than 0')
      .min(-20_000, 'over 20 m cannot be meant')
      .max(20_000, 'over 20 m cannot be meant'),
    reason: field.text('why', 300),
    decisionId: field.id(),
  }).noUnknown(),
);

const levelFields = {
  name: field.line('what it is', 60),
  kind: field.oneOf('the kind', Object.keys(LEVEL_KINDS) as LevelKind[]),
  level: level('the level'),
};
export const addLevelMark = command(
  'level.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), ...levelFields }).noUnknown(),
);
export const changeLevelMark = command(
  'level.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...levelFields }).noUnknown(),
);

/** What the schema let through is a shape of the core. */
export const asShape = (value: unknown): Shape => value as Shape;
