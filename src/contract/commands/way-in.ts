import { boolean, object } from 'yup';
import { PIECE_KIND_KEYS, WAY_KIND_KEYS, type WayKind } from '@/core/fit/way-in';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';
import { size } from './layout';

/** A length that only some kinds of ways have. */
const asked = (what: string, ...kinds: WayKind[]) =>
  size(what)
    .notRequired()
    .default(undefined)
    .when('kind', ([kind], schema) =>
      kinds.includes(kind as WayKind) ? schema.required(`${what} is missing`) : schema,
    );

const wayFields = {
  area: field.id().notRequired().nonNullable(),
  what: field.line('what it is', 80),
  kind: field.oneOf('the kind', WAY_KIND_KEYS),
  width: asked('the clear width', 'opening', 'stair'),
  height: asked('the clear height', 'opening', 'stair', 'turn'),
  before: asked('the way before it', 'turn'),
  behind: asked('the way behind it', 'turn'),
  distance: asked('how far it is', 'carry', 'hose'),
  reach: asked('the hose there is', 'hose'),
  lifts: field
    .amount('what it lifts', 500_000)
    .when('kind', ([kind], schema) =>
      kind === 'crane' ? schema.required('what it lifts at that reach is missing') : schema,
    ),
  beside: boolean().default(false),
  finding: field.id().notRequired().nonNullable(),
};
const about = { id: field.id(), version: field.version() };

/** A place on the way in, measured. */
export const addWayIn = command(
  'way-in.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), ...wayFields }).noUnknown(),
);
export const changeWayIn = command('way-in.change', EVERYBODY, 'job', object({ ...about, ...wayFields }).noUnknown());

const pieceFields = {
  area: field.id('the area'),
  selection: field.id().notRequired().nonNullable(),
  what: field.line('what it is', 80),
  kind: field.oneOf('the kind', PIECE_KIND_KEYS),
  length: size('the length'),
  width: size('the width'),
  height: size('the height or thickness'),
  mass: field.amount('what it weighs', 100_000),
};
/** Something large that must come in. */
export const addLargePiece = command(
  'large-piece.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), ...pieceFields }).noUnknown(),
);
export const changeLargePiece = command(
  'large-piece.change',
  EVERYBODY,
  'job',
  object({ ...about, ...pieceFields }).noUnknown(),
);
/** Carrying it in becomes work of the plan. */
export const planCarrying = command(
  'large-piece.plan',
  EVERYBODY,
  'plan',
  object({
    ...about,
    extraId: field.id(),
    trade: field.trade(),
    halfDays: field.whole('the half-days', 1, 60),
    after: field.phase().notRequired().nonNullable(),
  }).noUnknown(),
);
