import { array, boolean, lazy, mixed, number, object, string, tuple, type Schema } from 'yup';
import { LONGEST_NARRATION } from '@/core/narration/captions';
import {
  CHECK_VERDICTS,
  DECIDERS,
  GATE_STATES,
  IN_WALL_KINDS,
  ORDER_PROBLEMS,
  RECHECK_VERDICTS,
  SELECTION_VERDICTS,
  WALK_KINDS,
  type InWallKind,
  type ObservationKind,
  type RecordedOf,
  type Target,
} from '@/core/walks/observation';
import { LONGEST_MM } from '@/core/units/length';
import { STANCE_KEYS } from '@/core/sites/area';
import { command, EVERYBODY } from '../command';
import { findingSaid, lineSaid } from './scope';
import { HOLD_KINDS, type HoldKind } from './sites';
import * as field from '../fields';

export const startWalk = command(
  'walk.start',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), kind: field.oneOf('the kind of walk', WALK_KINDS) }).noUnknown(),
);
/** A walk begun by mistake; what was recorded on it no longer counts, until somebody brings it back. */
export const discardWalk = command('walk.discard', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());
export const finishWalk = command('walk.finish', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

/** A picture has at most so many bytes: said on the phone before it is kept there, and by the house. */
export const LARGEST_PICTURE = 25 * 1024 * 1024;

/** The words it was read from, where it came from a narration. */
const said = () =>
  object({
    narration: field.id(),
    draft: field.line('the draft', 200),
    words: field.text('the words', 2000),
    start: number().required().min(0).max(100_000),
    end: number().required().min(0).max(100_000),
  })
    .noUnknown()
    .default(undefined)
    .optional();
const where = { id: field.id(), walk: field.id(), area: field.id('the area'), said: said() };
const text = () => field.text('the text', 600);
const hash = (what: string) => string().matches(/^[0-9a-f]{64}$/, `${what} is not a picture of ours`);
const millimetres = (what: string) =>
  number()
    .typeError(`${what} must be a length`)
    .required(`${what} is missing`)
    .min(0, `${what} is not under 0`)
    .max(LONGEST_MM, 'over a kilometre cannot be meant');
const wall = () => field.whole('the wall', 0, 199);
const spot = () => tuple([number().required().min(0).max(1), number().required().min(0).max(1)]).required();
const MOST_MARKS = 60;

/** A mark on a picture: an arrow, a ring, words, a size. */
const mark = () =>
  lazy((value: unknown) => {
    const form = (value as { form?: unknown } | null)?.form;
    const ends = { from: spot(), to: spot() };
    const words = field.line('the words', 80);
    if (form === 'text') return object({ form: string<'text'>().required(), from: spot(), text: words }).noUnknown();
    if (form === 'measure') return object({ form: string<'measure'>().required(), ...ends, text: words }).noUnknown();
    return object({
      form: string<'arrow' | 'ring'>()
        .required('a mark is an arrow, a ring, text or a measure')
        .oneOf(['arrow', 'ring'], 'a mark is an arrow, a ring, text or a measure'),
      ...ends,
    }).noUnknown();
  });

/** What of the drawing was measured. */
const target = () =>
  mixed<Target>().test('target', 'what was measured is a wall, the height or an opening', (value: unknown) => {
    if (value === undefined) return true;
    const of = value as Record<string, unknown>;
    if (typeof value !== 'object' || value === null) return false;
    const says = (...keys: string[]): boolean => Object.keys(of).every((key) => keys.includes(key));
    return (
      (of['what'] === 'height' && says('what')) ||
      (of['what'] === 'wall' && Number.isInteger(of['wall']) && says('what', 'wall')) ||
      (of['what'] === 'opening' &&
        typeof of['opening'] === 'string' &&
        of['opening'].length <= 60 &&
        ['width', 'height', 'sill'].includes(String(of['side'])) &&
        says('what', 'opening', 'side'))
    );
  });

const shapes = {
  progress: object({
    ...where,
    kind: string<'progress'>().required(),
    phase: field.phase(),
    fraction: number().required('how far is missing').min(0, 'how far is at least 0').max(1, 'how far is at most 1'),
    /** Of what is passed by somebody: who looked, and the paper they left. */
    by: field.optionalLine('who passed it', 80),
    picture: hash('this'),
  }).noUnknown(),
  remaining: object({
    ...where,
    kind: string<'remaining'>().required(),
    text: text(),
    trade: field.trade(),
    quantity: field.amount('the quantity', 100_000),
    unit: field.optionalLine('the unit', 20),
  }).noUnknown(),
  recheck: object({
    ...where,
    kind: string<'recheck'>().required(),
    about: field.id(),
    verdict: field.oneOf('how it was found', RECHECK_VERDICTS),
    text: field.optionalText('the text', 600),
    picture: hash('this'),
  }).noUnknown(),
  'selection-check': object({
    ...where,
    kind: string<'selection-check'>().required(),
    selection: field.id(),
    verdict: field.oneOf('how it was found', SELECTION_VERDICTS),
    quantity: field.amount('how many', 100_000),
    text: field.optionalText('the text', 600),
    picture: hash('this'),
  }).noUnknown(),
  note: object({ ...where, kind: string<'note'>().required(), text: text() }).noUnknown(),
  caution: object({ ...where, kind: string<'caution'>().required(), text: text() }).noUnknown(),
  picture: object({
    ...where,
    kind: string<'picture'>().required(),
    picture: hash('this').required('the picture is missing'),
    text: field.optionalText('the text', 600),
    standpoint: field.id().notRequired().nonNullable(),
  }).noUnknown(),
  marks: object({
    ...where,
    kind: string<'marks'>().required(),
    about: field.id(),
    marks: array(mark() as never)
      .required()
      .max(MOST_MARKS, `a picture carries at most ${MOST_MARKS} marks`),
  }).noUnknown(),
  measurement: object({
    ...where,
    kind: string<'measurement'>().required(),
    text: text(),
    typed: field.line('the length as typed', 40),
    mm: number()
      .required('the length is missing')
      .moreThan(0, 'a length is over 0')
      .max(LONGEST_MM, 'over a kilometre cannot be meant'),
    second: number().moreThan(0, 'a length is over 0').max(LONGEST_MM, 'over a kilometre cannot be meant'),
    of: target(),
  }).noUnknown(),
  surprise: object({ ...where, kind: string<'surprise'>().required(), text: text() }).noUnknown(),
  decision: object({
    ...where,
    kind: string<'decision'>().required(),
    text: text(),
    by: field.oneOf('who decided', DECIDERS),
    name: field.optionalLine('the name', 80),
    free: boolean(),
  }).noUnknown(),
  scope: object({
    ...where,
    kind: string<'scope'>().required(),
    text: text(),
    stance: field.oneOf('the stance', STANCE_KEYS),
    quantity: field.amount('the quantity', 100_000),
  }).noUnknown(),
  assumption: object({
    ...where,
    kind: string<'assumption'>().required(),
    text: text(),
    fallback: field.optionalLine('what is done if it is wrong', 200),
  }).noUnknown(),
  selection: object({
    ...where,
    kind: string<'selection'>().required(),
    text: text(),
    choice: field.optionalLine('what was chosen', 200),
  }).noUnknown(),
  order: object({
    ...where,
    kind: string<'order'>().required(),
    text: text(),
    problem: string<(typeof ORDER_PROBLEMS)[number]>().oneOf([...ORDER_PROBLEMS]),
    days: field.optionalWhole('the days', 0, 1000),
  }).noUnknown(),
  gate: object({
    ...where,
    kind: string<'gate'>().required(),
    text: text(),
    state: string<(typeof GATE_STATES)[number]>().oneOf([...GATE_STATES]),
  }).noUnknown(),
  household: object({ ...where, kind: string<'household'>().required(), text: text() }).noUnknown(),
  short: object({
    ...where,
    kind: string<'short'>().required(),
    text: text(),
    quantity: field.amount('how many', 100_000),
    unit: field.optionalLine('the unit', 20),
    supplier: field.optionalLine('the supplier', 80),
  }).noUnknown(),
  check: object({
    ...where,
    kind: string<'check'>().required(),
    line: field.line('the line', 120),
    verdict: field.oneOf('how it was found', CHECK_VERDICTS),
    text: field.optionalText('the text', 600),
  }).noUnknown(),
  'in-wall': object({
    ...where,
    kind: string<'in-wall'>().required(),
    wall: wall(),
    what: field.oneOf('what it is', Object.keys(IN_WALL_KINDS) as InWallKind[]),
    text: field.optionalLine('the text', 200).default(''),
    along: millimetres('how far from the corner'),
    height: millimetres('how high'),
    length: millimetres('how long').default(0),
    rise: millimetres('how tall').default(0),
    picture: hash('this'),
  }).noUnknown(),
  withdrawal: object({ ...where, kind: string<'withdrawal'>().required(), about: field.id() }).noUnknown(),
};
// A kind of the core without its schema, or one whose schema lets through something else, is an error here.
const SHAPES: { readonly [Kind in ObservationKind]: Schema<RecordedOf<Kind>> } = shapes;

const isKind = (kind: unknown): kind is ObservationKind => typeof kind === 'string' && Object.hasOwn(SHAPES, kind);

export const recordObservation = command(
  'observation.record',
  EVERYBODY,
  'plan',
  object({
    observation: lazy((value: unknown) => {
      const kind = typeof value === 'object' && value !== null ? (value as { kind?: unknown }).kind : undefined;
      return isKind(kind)
        ? SHAPES[kind]
        : mixed()
            .required('the observation is missing')
            .test('kind', `an observation is one of: ${Object.keys(SHAPES).join(', ')}`, () => false);
    }),
  }).noUnknown(),
);

/**
 * What a record becomes: a line of scope, a finding, an assumption, a change to be priced, a wait, a selection, or no more
 * than a remark.
 */
const FILED_AS = ['scope', 'finding', 'assumption', 'change', 'wait', 'selection', 'remark'] as const;
export type FiledAs = (typeof FILED_AS)[number];
export const fileObservation = command(
  'observation.file',
  EVERYBODY,
  'plan',
  object({
    about: field.id(),
    filedAs: field.oneOf('what it becomes', FILED_AS),
    target: field.id(),
    /** Whom a wait is for: chosen by whoever places it. */
    party: string<HoldKind>().oneOf([...HOLD_KINDS], `whom it waits for is one of: ${HOLD_KINDS.join(', ')}`),
    /** Of a change: what it costs before overhead and tax, and the half-days it takes, where somebody knows. */
    price: field.money('its price'),
    halfDays: field.optionalWhole('half-days', 0, 400),
    /** Of a line of scope and of a finding: as it was read on the visit; without it the words stand as they are. */
    line: lineSaid(),
    finding: findingSaid(),
  }).noUnknown(),
);
/** Takes a placement back; what it made is taken away too, where nothing followed from it yet. */
export const unfileObservation = command(
  'observation.unfile',
  EVERYBODY,
  'plan',
  object({ about: field.id() }).noUnknown(),
);

export const addStandpoint = command(
  'standpoint.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), area: field.id('the area'), name: field.line('what the picture looks at', 60) }).noUnknown(),
);

/** What the tape says takes the place of what is drawn. */
export const adoptMeasurement = command(
  'measurement.adopt',
  EVERYBODY,
  'plan',
  object({ about: field.id() }).noUnknown(),
);

/** A narration is kept word for word; its drafts are read from it, never from the recording. */
export const keepNarration = command(
  'narration.keep',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    walk: field.id(),
    name: field.line('the name', 120),
    text: field.text('the narration', LONGEST_NARRATION),
    recording: hash('the recording'),
  }).noUnknown(),
);
/** `draft`: its name, as the reader gives it. */
const aboutDraft = { narration: field.id(), draft: field.line('the draft', 200) };
export const dropDraft = command('draft.drop', EVERYBODY, 'firm', object(aboutDraft).noUnknown());
export const restoreDraft = command('draft.restore', EVERYBODY, 'firm', object(aboutDraft).noUnknown());

/** Somebody answers by name for what is still open before the wall is closed. */
export const signCloseIn = command(
  'close-in.sign',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    area: field.id('the area'),
    name: field.line('who answers for it', 80),
    reason: field.text('why it is closed all the same', 300),
  }).noUnknown(),
);
