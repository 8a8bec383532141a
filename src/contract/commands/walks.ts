import { lazy, mixed, number, object, string } from 'yup';
import { RECHECK_VERDICTS, SELECTION_VERDICTS, WALK_KINDS } from '@/core/walks/observation';
import { LONGEST_MM } from '@/core/units/length';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

export const startWalk = command('walk.start', EVERYBODY, object({ id: field.id(), job: field.id(), kind: field.oneOf('the kind of walk', WALK_KINDS) }).noUnknown());
export const finishWalk = command('walk.finish', EVERYBODY, object({ id: field.id() }).noUnknown());

const where = { id: field.id(), walk: field.id(), area: field.id() };
const text = () => field.line('the text', 600);
const shapes = {
  progress: object({ ...where, kind: string<'progress'>().required(), phase: field.phase(), fraction: number().required('how far is missing').min(0, 'how far is at least 0').max(1, 'how far is at most 1') }).noUnknown(),
  remaining: object({
    ...where, kind: string<'remaining'>().required(), text: text(), trade: field.trade(), quantity: field.amount('the quantity', 100_000),
    unit: field.optionalLine('the unit', 20),
  }).noUnknown(),
  recheck: object({ ...where, kind: string<'recheck'>().required(), about: field.id(), verdict: field.oneOf('how it was found', RECHECK_VERDICTS) }).noUnknown(),
  'selection-check': object({ ...where, kind: string<'selection-check'>().required(), selection: field.id(), verdict: field.oneOf('how it was found', SELECTION_VERDICTS), quantity: field.amount('how many', 100_000), text: field.optionalLine('the text', 600), picture: string().matches(/^[0-9a-f]{64}$/, 'not a picture of ours') }).noUnknown(),
  note: object({ ...where, kind: string<'note'>().required(), text: text() }).noUnknown(),
  caution: object({ ...where, kind: string<'caution'>().required(), text: text() }).noUnknown(),
  picture: object({ ...where, kind: string<'picture'>().required(), picture: string().required('the picture is missing').matches(/^[0-9a-f]{64}$/, 'not a picture of ours'), text: field.optionalLine('the text', 600) }).noUnknown(),
  measurement: object({
    ...where, kind: string<'measurement'>().required(), text: text(), typed: field.line('the length as typed', 40),
    mm: number().required('the length is missing').moreThan(0, 'a length is over 0').max(LONGEST_MM, 'over a kilometre cannot be meant'),
  }).noUnknown(),
  withdrawal: object({ ...where, kind: string<'withdrawal'>().required(), about: field.id() }).noUnknown(),
};
export type RecordedObservation = { [Kind in keyof typeof shapes]: (typeof shapes)[Kind]['__outputType'] }[keyof typeof shapes];

const isKind = (kind: unknown): kind is keyof typeof shapes => typeof kind === 'string' && Object.hasOwn(shapes, kind);

export const recordObservation = command('observation.record', EVERYBODY, object({
  observation: lazy((value: unknown) => {
    const kind = typeof value === 'object' && value !== null ? (value as { kind?: unknown }).kind : undefined;
    return isKind(kind) ? shapes[kind] : mixed().required('the observation is missing').test('kind', `an observation is one of: ${Object.keys(shapes).join(', ')}`, () => false);
  }),
}).noUnknown());
