import { HOUSEHOLD_NEED_KEYS } from '@/core/sites/household-needs';
import { array, boolean, number, object, string } from 'yup';
import { AREA_KIND_KEYS, JOB_STATES, type AreaKind } from '@/core/sites/area';
import { WORK_KEYS } from '@/core/sequence/works';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const notBeforeStart = (promise: string | undefined, context: { parent: unknown }): boolean =>
  promise === undefined || promise >= (context.parent as { startDay: string }).startDay;

const jobFields = {
  name: field.line('the job’s name', 80),
  address: field.optionalLine('the address').default(''),
  client: field.optionalLine('the client').default(''),
  gettingIn: field.optionalLine('how one gets in', 300).default(''),
  clientEmail: field.email('the client’s address').default(''),
  units: field.oneOf('the way of measuring', ['metric', 'imperial'] as const),
  startDay: field.day('the first day of work'),
  promiseDay: field
    .optionalDay('the promised day')
    .test('after-start', 'the promised day must not be before the first day of work', notBeforeStart),
  livedIn: boolean().default(false),
  loudHalf: string<'morning' | 'afternoon'>().oneOf(
    ['morning', 'afternoon'],
    'loud work is in the morning, the afternoon or both',
  ),
};
/** How often the state of the site is recorded, where it is not every evening. */
const leaves = () =>
  string<'evening' | 'week'>().oneOf(['evening', 'week'], 'the site is left in words every evening or once a week');
export const openJob = command(
  'job.open',
  OFFICE,
  'job',
  object({
    id: field.id(),
    ...jobFields,
    /** To look around in; it is thrown away as a whole. */
    example: boolean(),
  }).noUnknown(),
);
export const changeJob = command(
  'job.change',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    state: field.oneOf('the state', JOB_STATES),
    ...jobFields,
    leaves: leaves(),
  }).noUnknown(),
);

const works = () => array(field.oneOf('the work', WORK_KEYS)).required('what is to be done there is missing').max(8);
const size = () =>
  number()
    .typeError('the size must be a number')
    .moreThan(0, 'the size must be over 0 (1 is an ordinary room)')
    .max(20, 'over 20 times an ordinary room cannot be meant')
    .default(1);

const neighbours = () => array(field.id()).default([]).max(40);

const needs = () =>
  array(field.oneOf('what the household has there', HOUSEHOLD_NEED_KEYS)).max(HOUSEHOLD_NEED_KEYS.length);
/** By whoever walks first: an area is met on site before the office knows it. */
export const addAreas = command(
  'areas.add',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    levels: array(
      object({
        id: field.id(),
        name: field.line('the level’s name', 40),
        height: field.whole('the level’s height', -5, 60),
        note: field.optionalLine('the note', 80).default(''),
      }).noUnknown(),
    )
      .required()
      .max(40),
    areas: array(
      object({
        id: field.id(),
        level: field.id().notRequired().nonNullable(),
        name: field.line('the area’s name', 60),
        kind: field.oneOf('the kind of area', AREA_KIND_KEYS),
        works: works(),
        size: size(),
        passage: boolean().default(false),
        livedIn: boolean().default(false),
        provides: needs().default([]),
        shelters: array(field.id()).max(40),
        /** Areas on the other side of its walls, and those to which the wall comes out. */
        beside: neighbours(),
        opensTo: neighbours(),
      }).noUnknown(),
    )
      .required()
      .max(300),
  }).noUnknown(),
);

export const changeArea = command(
  'area.change',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    name: field.line('the area’s name', 60),
    works: works(),
    size: size(),
    livedIn: boolean().default(false),
    passage: boolean().default(false),
    /** What people call it besides its name, parted by semicolons. */
    called: field.optionalLine('what it is also called', 200),
    kind: string<AreaKind>().oneOf([...AREA_KIND_KEYS], 'this is not a kind of area'),
    /** Where it is left out the area stays where it is. */
    level: field.levelOrOutside(),
    /** What the household has there; where it is left out it stays as it was. */
    provides: needs(),
    /** Where they are left out its neighbours stay. */
    beside: array(field.id()).max(40),
    opensTo: array(field.id()).max(40),
  }).noUnknown(),
);
/** What people on site call an area besides its name, from now on or no more. */
export const callArea = command(
  'area.call',
  EVERYBODY,
  'job',
  object({ id: field.id(), name: field.line('what it is called', 40), known: boolean().default(true) }).noUnknown(),
);
/** One area becomes part of another: all that was recorded of it goes with it. */
export const mergeArea = command(
  'area.merge',
  OFFICE,
  'plan',
  object({ from: field.id(), version: field.version(), into: field.id('the area it becomes part of') }).noUnknown(),
);
/** An area that was set out by mistake; one of which something was recorded is merged instead. */
export const removeArea = command(
  'area.remove',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
/** A job that was set up by mistake: shown nowhere and planned nowhere until it is brought back. */
export const removeJob = command(
  'job.remove',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
export const restoreJob = command('job.restore', OFFICE, 'plan', object({ id: field.id() }).noUnknown());
export const placeBeside = command(
  'area.beside',
  OFFICE,
  'plan',
  object({ one: field.id(), other: field.id(), opens: boolean().default(false) }).noUnknown(),
);
export const changeStep = command(
  'step.change',
  EVERYBODY,
  'plan',
  object({
    area: field.id('the area'),
    phase: field.phase(),
    trade: field.trade(),
    halfDays: field.whole('half-days', 1, 400),
  }).noUnknown(),
);

const end = () => object({ area: field.id('the area'), phase: field.phase() }).noUnknown();
export const addLink = command(
  'link.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    before: end(),
    after: end(),
    reason: field.text('the reason', 200),
  }).noUnknown(),
);
export const removeLink = command('link.remove', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

export const HOLD_KINDS = [
  'engineer',
  'client',
  'association',
  'authority',
  'inspection',
  'close-in',
  'weather',
  'unknown',
  'neighbour',
] as const;
export type HoldKind = (typeof HOLD_KINDS)[number];
export const addHold = command(
  'hold.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    area: field.id('the area'),
    phase: field.phase(),
    kind: field.oneOf('the kind of hold', HOLD_KINDS),
    label: field.line('the short name', 24),
    text: field.text('what is waited for', 300),
    askedOn: field.optionalDay('the day it was asked'),
    expectedOn: field.day('the day it is expected'),
  }).noUnknown(),
);
export const expectHold = command(
  'hold.expect',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), expectedOn: field.day('the day it is expected') }).noUnknown(),
);
export const releaseHold = command(
  'hold.release',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
