import { boolean, number, object, string } from 'yup';
import { SCHOOL_KEYS, METHODS } from '@/core/sequence/methods';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const hasItsJob = (area: string | undefined, { parent }: { parent: unknown }): boolean =>
  area === undefined || (parent as { job?: string }).job !== undefined;

/** For the firm; with a job for that job alone, with an area for that area alone. */
const place = {
  job: field.id().notRequired().nonNullable(),
  area: field.id().notRequired().nonNullable().test('in-job', 'an area needs its job beside it', hasItsJob),
};

const ruleFields = {
  before: field.phase(),
  after: field
    .phase()
    .test(
      'other',
      'a step cannot wait for itself; choose another',
      (after, { parent }) => after !== (parent as { before?: string }).before,
    ),
  within: field.oneOf('where it counts', ['area', 'beside', 'route', 'job'] as const),
  kind: field.oneOf('what waits for what', ['FS', 'SS', 'FF'] as const).default('FS'),
  lag: field.whole('the time in between', 0, 400).default(0),
  lagUnit: field.oneOf('how the time is counted', ['work', 'elapsed'] as const).default('work'),
  strength: field.oneOf('the strength', ['hard', 'soft'] as const),
  reason: field.text('the reason', 200),
};
/** A rule of the firm's own, or of one job. */
export const writeRule = command(
  'rule.write',
  OFFICE,
  'plan',
  object({ id: field.id(), job: place.job, ...ruleFields }).noUnknown(),
);
export const rewriteRule = command(
  'rule.rewrite',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version(), ...ruleFields }).noUnknown(),
);
export const dropRule = command(
  'rule.drop',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
/** Has a rule hold or not hold, and says why; the same place said again changes its word. */
export const switchRule = command(
  'rule.switch',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    rule: field.whole('the rule', 1, 100_000),
    ...place,
    holds: boolean().required('whether it holds is missing'),
    reason: field.text('the reason', 200),
  }).noUnknown(),
);
/** Back to what the wider place says. */
export const unswitchRule = command(
  'rule.unswitch',
  OFFICE,
  'plan',
  object({ rule: field.whole('the rule', 1, 100_000), ...place }).noUnknown(),
);

const VARIANTS = new Set(METHODS.flatMap((method) => method.variants.map((variant) => `${method.key} ${variant.key}`)));
/** Picks a variant; without one the usual order counts, whatever the wider place says; `as-wider` takes the word back. */
export const chooseMethod = command(
  'method.choose',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    method: field.oneOf('the choice', SCHOOL_KEYS),
    ...place,
    asWider: boolean().default(false),
    variant: string()
      .max(30)
      .test(
        'known',
        'this is neither of the two ways',
        (variant, { parent }) =>
          variant === undefined || VARIANTS.has(`${(parent as { method?: string }).method} ${variant}`),
      ),
  }).noUnknown(),
);

/** What one crew does of a step in half a day. */
export const setRate = command(
  'rate.set',
  OFFICE,
  'plan',
  object({
    phase: field.phase(),
    perHalfDay: field.amount('what is done in half a day', 100_000).required('say how much'),
  }).noUnknown(),
);
/**
 * How long a step takes: by the size of the room, by its quantity over the rate, or as somebody says; by how many crews
 * at once.
 */
export const timeStep = command(
  'step.time',
  EVERYBODY,
  'plan',
  object({
    area: field.id('the area'),
    phase: field.phase(),
    basis: field.oneOf('where the time comes from', ['size', 'quantity', 'hand'] as const),
    halfDays: number()
      .typeError('half-days must be a number')
      .integer('half-days are whole')
      .min(1, 'at least half a day')
      .max(400, 'at most 400 half-days')
      .when('basis', ([basis], schema) => (basis === 'hand' ? schema.required('say how many half-days') : schema)),
    crews: field.whole('crews at once', 1, 20).default(1),
  }).noUnknown(),
);
