import { array, boolean, number, object, string } from 'yup';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { BEARING_SIGN_KEYS } from '@/core/scope/bearing-signs';
import { FINDING_KIND_KEYS } from '@/core/scope/finding';
import { readScopeLine } from '@/core/scope/scope-line';
import { STANCE_KEYS } from '@/core/sites/area';
import { WORK_KEYS } from '@/core/sequence/works';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

export const MEASURE_KEYS = Object.keys(MEASURES) as Measure[];

const scopeFields = {
  stance: field.oneOf('the stance', STANCE_KEYS),
  verb: field.line('the verb', 30),
  subject: field.line('the subject', 200),
  quantity: field.amount('the quantity', 100_000),
  unit: field
    .optionalLine('the unit', 20)
    .when('quantity', ([quantity], schema) =>
      quantity === undefined ? schema : schema.required('a quantity needs its unit, like m, m² or pieces'),
    ),
  trade: field.trade().notRequired().nonNullable(),
  dependsOn: field.optionalLine('what it depends on', 200).default(''),
  selection: field.id().notRequired().nonNullable(),
  /** Where what is taken down is kept, or with what something is protected. */
  place: field.optionalLine('the place', 120).default(''),
  /** Its quantity follows the drawing of its area. */
  measure: string<Measure>().oneOf(MEASURE_KEYS, 'this is not measured on a drawing'),
};
/** A line of work as it was read from what somebody said. */
export const lineSaid = () => {
  const { selection: _, measure: __, ...said } = scopeFields;
  return object(said).noUnknown().default(undefined).optional();
};
export const addScope = command(
  'scope.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), area: field.id('the area'), ...scopeFields }).noUnknown(),
);
export const changeScope = command(
  'scope.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...scopeFields }).noUnknown(),
);
/** Several lines at once: “everything here except …”, or a list that was read. */
export const addManyScope = command(
  'scope.add-many',
  EVERYBODY,
  'job',
  object({
    job: field.id(),
    lines: array(object({ id: field.id(), area: field.id('the area'), ...scopeFields }).noUnknown())
      .required('the lines are missing')
      .min(1, 'at least one line')
      .max(1000, 'at most 1000 lines at once'),
  }).noUnknown(),
);

/** Things that are taken away and may be brought back. */
const REMOVABLE = [
  'scope',
  'finding',
  'opening',
  'fixture',
  'level',
  'calculation',
  'assumption',
  'decision',
  'selection',
  'request',
  'standpoint',
  'close-in-sign',
  'left-with-client',
  'sign-off',
  'payment',
  'spending',
  'purchase-movement',
  'purchase-bill',
  'way-in',
  'large-piece',
  'attachment',
] as const;
export type Removable = (typeof REMOVABLE)[number];
export const removeLine = command(
  'line.remove',
  EVERYBODY,
  'plan',
  object({ of: field.oneOf('what is taken away', REMOVABLE), id: field.id() }).noUnknown(),
);

const findingFields = {
  area: field.id().notRequired().nonNullable(),
  kind: field.oneOf('the kind', FINDING_KIND_KEYS),
  subject: field.line('what it is'),
  quantity: field.amount('how many or how much', 100_000),
  unit: field.optionalLine('the unit', 20).default(''),
  need: field.optionalLine('what it needs').default(''),
  live: boolean(),
  /** Whose thing it is; nobody's in particular where that is not said. */
  trade: field.trade().notRequired().nonNullable(),
  place: field.optionalLine('the place').default(''),
  cause: field.optionalLine('the cause').default(''),
  remedy: field.optionalLine('what is done about it').default(''),
  allowed: field
    .amount('what is allowed for', 100_000)
    .test(
      'seen',
      'More is allowed for than was seen; allow for at most what is there.',
      (allowed, { parent }: { parent: { quantity?: number | null } }) =>
        typeof allowed !== 'number' || typeof parent.quantity !== 'number' || allowed <= parent.quantity,
    ),
  unitPrice: field.money('the price of one'),
  leadDays: field.optionalWhole('the days it takes', 0, 730),
  picture: field.picture(),
  options: array(field.line('the choice', 120))
    .default([])
    .max(6, 'at most six choices')
    .when('kind', ([kind], schema) =>
      kind === 'site-choice' ? schema.min(2, 'name at least two ways to do it') : schema,
    ),
};
export const addFinding = command(
  'finding.add',
  EVERYBODY,
  'plan',
  object({ id: field.id(), job: field.id(), ...findingFields }).noUnknown(),
);
/** A finding as it was read from what somebody said: what it is; the rest is asked later. */
export const findingSaid = () =>
  object({
    kind: findingFields.kind,
    subject: findingFields.subject,
    place: findingFields.place,
    live: findingFields.live,
  })
    .noUnknown()
    .default(undefined)
    .optional();
export const changeFinding = command(
  'finding.change',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), ...findingFields }).noUnknown(),
);

/**
 * A choice that was left to whoever does the work is made on the spot. No version is asked for: it comes from a walk or
 * a crew's page and may come late; the newest word counts. `name` is for those who come by a link.
 */
export const answerFinding = command(
  'finding.answer',
  [...EVERYBODY, 'link'],
  'job',
  object({
    id: field.id(),
    answer: field.optionalText('what was decided', 200).default(''),
    name: field.optionalLine('your name', 80),
  }).noUnknown(),
);

/** A service in the way of the work is proved dead, or marked and kept live: by a name, on a day. */
export const proveService = command(
  'finding.prove',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    state: field.oneOf('what it is', ['dead', 'kept'] as const),
    by: field.line('who proved it', 80),
    need: field
      .optionalLine('how it is marked')
      .default('')
      .when('state', ([state], schema) =>
        state === 'kept' ? schema.required('say how it is marked, so that nobody cuts it') : schema,
      ),
  }).noUnknown(),
);

/** How much of a damage there was once it was opened: what is above or below what was allowed is a change's to settle. */
export const measureFinding = command(
  'finding.measure',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    found: number()
      .typeError('how much was found must be a number')
      .required('say how much was found')
      .min(0, 'how much was found is not under 0')
      .max(100_000, 'so much cannot be meant'),
  }).noUnknown(),
);

const COPIED = ['scope', 'findings', 'layout'] as const;
/** “The other three are the same”, “the right half is the left half turned”. */
export const copyArea = command(
  'area.copy',
  OFFICE,
  'plan',
  object({
    from: field.id(),
    id: field.id(),
    name: field.line('the area’s name', 60),
    side: field.optionalLine('the side', 30).default(''),
    mirrored: boolean().default(false),
    parts: array(field.oneOf('what is copied', COPIED)).required('say what is copied').max(3),
  }).noUnknown(),
);
/** One area becomes two: what stands from a section on goes into the second. */
export const splitArea = command(
  'area.split',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    name: field.line('the name of the first part', 60),
    secondId: field.id(),
    secondName: field.line('the name of the second part', 60),
    fromSection: field.optionalWhole('the section that begins the second part', 2, 60),
  }).noUnknown(),
);

const assumptionFields = {
  phase: field.phase(),
  text: field.text('what is assumed', 300),
  why: field.optionalText('why', 300).default(''),
  fallback: field.line('what is done if it is wrong', 200),
  fallbackTrade: field.trade(),
  fallbackHalfDays: field.whole('half-days it then takes', 0, 400),
  fallbackPrice: field.money('what it then costs').default(0),
  /** How sure the contractor is, in per cent. */
  sure: field.optionalWhole('how sure we are', 0, 100).nullable().default(null),
  /** What was seen of a wall that may carry. */
  signs: array(field.oneOf('the sign', BEARING_SIGN_KEYS)).default([]).max(BEARING_SIGN_KEYS.length),
};
export const addAssumption = command(
  'assumption.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), area: field.id('the area'), ...assumptionFields }).noUnknown(),
);
export const changeAssumption = command(
  'assumption.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...assumptionFields }).noUnknown(),
);
/**
 * Seen: it held or it was wrong. No version is asked for, since it comes from a walk and may come late; the newest word
 * counts.
 */
export const settleAssumption = command(
  'assumption.settle',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    verdict: field.oneOf('how it was found', ['held', 'wrong'] as const),
    found: field.optionalText('what was found', 300).default(''),
    walk: field.id().notRequired().nonNullable(),
    extraId: field.id(),
  }).noUnknown(),
);
/** A small opening that shows it, before anything in the room is begun. */
export const probeAssumption = command(
  'assumption.probe',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    extraId: field.id(),
    text: field.line('what is opened', 120),
    trade: field.trade(),
  }).noUnknown(),
);
export const reopenAssumption = command('assumption.reopen', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

export const finishExtra = command('extra.finish', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());
export const reopenExtra = command('extra.reopen', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

/** Something is left on purpose until a step is done, because it protects; taking it away is work after that step. */
export const leaveUntil = command(
  'extra.leave',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    area: field.id('the area'),
    text: field.line('what is left', 120),
    until: field.phase(),
    reason: field.text('what it protects', 200),
    trade: field.trade(),
    halfDays: field.whole('half-days', 1, 60).default(1),
  }).noUnknown(),
);

/** A line of scope as it is typed on a visit; what cannot be read says why. */
const scopeLine = () =>
  field.text('the line', 300).test('read', (text, context) => {
    const read = readScopeLine(text);
    return read.ok || context.createError({ message: read.problem.message });
  });
const option = () =>
  object({
    key: field.line('the key', 40),
    name: field.line('its name', 60),
    cost: field.money('what it costs').required('what it costs is missing'),
    upkeepPerYear: field.money('upkeep in a year').default(0),
    lifeYears: number()
      .typeError('years it lasts must be a number')
      .required('years it lasts are missing')
      .moreThan(0, 'it lasts more than 0 years')
      .max(200, 'over 200 years cannot be meant'),
    leadDays: field.whole('days until it is there', 0, 730),
    works: array(field.oneOf('the work', WORK_KEYS)).default([]).max(8),
    lines: array(scopeLine()).default([]).max(20, 'at most twenty lines'),
    upkeep: field.optionalLine('upkeep').default(''),
    unknown: field.optionalLine('what stays unknown').default(''),
  }).noUnknown();
const optionFields = {
  phase: field.phase(),
  subject: field.line('what is to be decided'),
  /** The lines of scope that it decides. */
  lines: array(field.id()).default([]).max(40),
  options: array(option())
    .required('the options are missing')
    .min(2, 'options stand side by side: at least two')
    .max(5, 'at most five side by side'),
};
export const addOptions = command(
  'options.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), area: field.id('the area'), ...optionFields }).noUnknown(),
);
export const changeOptions = command(
  'options.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...optionFields }).noUnknown(),
);
export const chooseOption = command(
  'options.choose',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    key: field.line('which one', 40),
    reason: field.text('why', 300),
    decisionId: field.id(),
  }).noUnknown(),
);
export const unchooseOption = command(
  'options.unchoose',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);

export const addDecision = command(
  'decision.add',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    area: field.id().notRequired().nonNullable(),
    subject: field.text('what was decided', 300),
    reason: field.text('why', 300),
  }).noUnknown(),
);

export const makeStatement = command(
  'statement.make',
  OFFICE,
  'job',
  object({ id: field.id(), job: field.id() }).noUnknown(),
);
/** Goes to the client as news with a link on which it is read and agreed to. */
export const sendStatement = command(
  'statement.send',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version(), ...field.sending() }).noUnknown(),
);
export const agreeStatement = command(
  'statement.agree',
  ['link'],
  'job',
  object({ id: field.id(), name: field.line('your name', 80) }).noUnknown(),
);
