import { mixed, object, string } from 'yup';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { command, OFFICE } from '../command';
import * as field from '../fields';

const MEASURE_KEYS = Object.keys(MEASURES) as Measure[];

/** Values by names that the catalogue gives; how many there may be is bounded, what each is checks itself. */
const byName = <Value>(what: string, is: (value: unknown) => boolean, wrong: string) =>
  mixed<Record<string, Value>>(
    (value): value is Record<string, Value> => typeof value === 'object' && value !== null && !Array.isArray(value),
  )
    .typeError(`${what} must be an object`)
    .test('each', wrong, (value, context) => {
      const entries = Object.entries(value ?? {}).filter(([, each]) => each !== undefined && each !== null);
      if (entries.length > 40) return context.createError({ message: `${what}: at most 40` });
      const bad = entries.find(([, each]) => !is(each));
      return bad ? context.createError({ path: `${context.path}.${bad[0]}`, message: wrong }) : true;
    });

/** One sentence or one choice: what it means is set in the area at once. */
export const setAssemblyCommand = command(
  'assembly.set',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    area: field.id('the area'),
    assembly: string().required('the assembly is missing').max(60),
    /** Lengths in m, areas in m², counts. */
    answers: byName<number>('the answers', (value) => typeof value === 'number', 'this must be a number').required(
      'the answers are missing',
    ),
    /** Which answers follow which measure of the drawing. */
    fed: byName<Measure>(
      'what it follows',
      (value) => MEASURE_KEYS.includes(value as Measure),
      'this is not measured',
    ).default({}),
    /** What one pack of each of its goods costs, where somebody knows. */
    prices: byName<number>(
      'the prices',
      (value) => Number.isInteger(value) && (value as number) >= 0 && (value as number) <= 1e11,
      'a price is a sum like 12.50, not under 0',
    ).default({}),
  }).noUnknown(),
);
/** Its lines, goods and added steps go, where nothing was done of them yet. */
export const removeAssembly = command(
  'assembly.remove',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
