import { mixed, object, string } from 'yup';
import { CALCULATORS } from '@/core/quantities/registry';
import type { Measure } from '@/core/layout/measures';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';
import { MEASURE_KEYS } from './scope';

const NAMES = CALCULATORS.map((calculator) => calculator.name);
const MOST_INPUT = 60_000;

/** An object whose shape the calculator itself checks; only its size is looked at here. */
const open = (what: string) =>
  mixed<Record<string, unknown>>(
    (value): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value),
  )
    .typeError(`${what} must be an object`)
    .required(`${what} is missing`)
    .test('size', `${what} is too large`, (value) => JSON.stringify(value).length <= MOST_INPUT);

const kept = {
  calculator: string().required('the calculator is missing').oneOf(NAMES, 'there is no such calculator'),
  product: field.optionalLine('what is bought', 80).default(''),
  input: open('what was given'),
  fed: open('what it follows').test('measures', 'this is not measured on a drawing', (fed) =>
    Object.values(fed).every((measure) => MEASURE_KEYS.includes(measure as Measure)),
  ),
  scopeItem: field.id().notRequired().nonNullable(),
  unitPrice: field.money('the price of one'),
  supplier: field.optionalLine('the supplier', 80).default(''),
  trade: field.trade().notRequired().nonNullable(),
  phase: field.phase().notRequired().nonNullable(),
};
export const keepCalculation = command(
  'calculation.keep',
  EVERYBODY,
  'job',
  object({ id: field.id(), area: field.id('the area'), ...kept }).noUnknown(),
);
export const changeCalculation = command(
  'calculation.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...kept }).noUnknown(),
);
