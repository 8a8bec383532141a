import { array, mixed, number, object, string } from 'yup';
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

/** A product of what is asked and of plain numbers. */
const amount = () =>
  array(
    mixed<string | number>((value): value is string | number => typeof value === 'string' || typeof value === 'number')
      .required('say what it goes by')
      .test('number', 'a number is over 0', (value) => typeof value === 'string' || value > 0),
  )
    .required('say what it goes by')
    .min(1, 'say what it goes by')
    .max(6);
const share = (what: string, most: number, over: string) =>
  number()
    .typeError(`${what} must be a number`)
    .required(`${what} is missing`)
    .min(0, `${what} is not under 0`)
    .max(most, over);
const UNITS = ['m', 'm²', 'm³', 'pieces'] as const;

/** What the firm says otherwise of an assembly: in its place under the same key, or as another one. */
export const writeAssembly = command(
  'assembly.write',
  OFFICE,
  'firm',
  object({
    key: string().required('the key is missing').max(60),
    base: string().required('what it begins from is missing').max(60),
    title: field.line('its name', 60),
    says: field.line('the sentence', 120),
    lines: array(
      object({
        key: field.line('the key', 40),
        verb: field.line('what happens', 30),
        subject: field.line('to what'),
        of: amount(),
        unit: field.oneOf('the unit', UNITS),
        trade: field.trade(),
        hours: share('the hours for one', 1000, 'so many hours for one cannot be meant'),
      }).noUnknown(),
    )
      .required('it needs lines')
      .min(1, 'it needs at least one line')
      .max(30),
    goods: array(
      object({
        what: field.line('what is bought', 60),
        line: field.line('the line', 40),
        of: amount(),
        unit: field.oneOf('the unit', ['m', 'm²', 'pieces'] as const),
        waste: share('the waste', 1, 'over 100 % cannot be meant'),
        pack: share('what one covers', 10_000, 'so much in one cannot be meant').moreThan(
          0,
          'what one covers is over 0',
        ),
      }).noUnknown(),
    )
      .default([])
      .max(30),
  }).noUnknown(),
);
/** Back to what ships; one of the firm’s making goes. */
export const dropOwnAssembly = command(
  'assembly.drop-own',
  OFFICE,
  'firm',
  object({ key: string().required('the key is missing').max(60) }).noUnknown(),
);
