import { ValidationError, type AnyObject, type ObjectSchema } from 'yup';
import { answer, refuse, type Outcome } from '../problem';
import { formatLength, type LengthSystem } from '../units/length';
import type { Asks, Give, InputOf } from './ask';
import { agrees } from './agrees';
import { schemaOf } from './schema';

export const GROUPS = {
  lengths: 'Lengths',
  outside: 'Outside',
  inside: 'Floors, walls and paint',
  frame: 'Frame and carpentry',
  ground: 'Concrete and ground',
  services: 'Air, water and heat',
  fit: 'Does it fit',
  money: 'Money and time',
} as const;
export type Group = keyof typeof GROUPS;

/** What has to be bought, as it is bought: whole packs. */
export interface Purchase {
  what: string;
  /** The sides of one piece, in mm, where it is bought by its size. */
  size?: readonly number[];
  /** What it is for. */
  use?: string;
  quantity: number;
  unit: string;
  /** Minor units for all of them, where the calculator knows. */
  price?: number;
}

/** One named calculator: Bench, Scope, the vectors and the server all call this. */
export interface Calculator<A extends Asks = Asks, Output extends object = object> {
  /** The name it is called by, as in the list of calculators. */
  name: string;
  title: string;
  group: Group;
  /** The question it answers. */
  answers: string;
  asks: A;
  gives: Readonly<Record<string, Give>>;
  formula: string;
  source: string;
  /** Where a limit is a code's or a maker's: the words that defer to them. */
  decides?: string;
  example: InputOf<A>;
  /** `say` writes a length as the job does, where an answer is a sentence. */
  compute: (input: InputOf<A>, say: (mm: number) => string) => Outcome<Output>;
  buys?: (output: Output, input: InputOf<A>) => Purchase[];
}

/** Said wherever a limit comes from a model code or guidance. */
export const LOCAL_CODE = 'A default that the firm can change: your local code and inspector decide.';
export const ENGINEER =
  'Never an engineer’s approval: sizing is for the engineer or the span table, and the local code decides.';

/** Any calculator, its types forgotten: what comes in is checked by its schema before `compute` sees it. */
export interface AnyCalculator extends Omit<Calculator, 'compute' | 'buys' | 'example'> {
  example: Readonly<Record<string, unknown>>;
  schema: ObjectSchema<AnyObject>;
  /**
   * @param system in which lengths stand in an answer that is a sentence
   * @returns what the calculator gives, or a problem that names the field; never NaN, never an exception for bad input
   */
  run: (input: unknown, system?: LengthSystem) => Outcome<Record<string, unknown>>;
  purchases: (output: object, input: object) => Purchase[];
}

export function calculator<A extends Asks, Output extends object>(terms: Calculator<A, Output>): AnyCalculator {
  const { compute, buys, ...rest } = terms;
  const schema = schemaOf(terms.asks).required('Nothing was given.');
  return {
    ...rest,
    example: terms.example,
    schema,
    purchases: (output, input) => buys?.(output as Output, input as InputOf<A>) ?? [],
    run: (input, system = 'metric') => {
      const checked = agrees(terms.asks, input) ? answer(input) : check(schema, input);
      if (!checked.ok) return checked;
      const say = (mm: number): string => formatLength(system === 'metric' ? Math.round(mm) : mm, system);
      const outcome = compute(checked.value as InputOf<A>, say) as Outcome<Record<string, unknown>>;
      return outcome.ok && !allFinite(outcome.value)
        ? refuse({ code: 'out-of-range', message: 'These figures are too large or too small to be meant.' })
        : outcome;
    },
  };
}

function check(schema: ObjectSchema<AnyObject>, input: unknown): Outcome<unknown> {
  try {
    return answer(schema.validateSync(input, { strict: true, abortEarly: true }));
  } catch (error) {
    if (error instanceof ValidationError)
      return refuse({ code: 'bad-input', message: error.message, ...(error.path ? { field: error.path } : {}) });
    // Yup itself fails on objects that pose as something else; it is bad input all the same.
    return refuse({ code: 'bad-input', message: 'Some value is of a kind that is never asked for.' });
  }
}

const allFinite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value === 'object' && value !== null
      ? Object.values(value).every(allFinite)
      : true;
