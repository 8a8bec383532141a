import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  type AnySchema,
  type ObjectSchema,
  type AnyObject,
} from 'yup';
import { isDay } from '../units/day';
import { LONGEST_MM } from '../units/length';
import { isAsk, type Ask, type Asks } from './ask';

/** More lines than this are a file, not a question. */
export const MOST_LINES = 500;

/**
 * The Yup schema of what is asked: strict (no text is taken for a number), and every message says what would be right.
 */
export const schemaOf = (asks: Asks): ObjectSchema<AnyObject> =>
  object(Object.fromEntries(Object.entries(asks).map(([name, ask]) => [name, fieldOf(ask)])));

function fieldOf(ask: Ask<unknown>): AnySchema {
  const schema = shapeOf(ask);
  return ask.optional ? (schema.optional() as AnySchema) : schema;
}

const missing = (ask: Ask<unknown>): string => `${ask.label}: this is missing`;

function shapeOf(ask: Ask<unknown>): AnySchema {
  switch (ask.kind) {
    case 'length':
      return numeric(ask, LONGEST_MM, 'over a kilometre cannot be meant');
    case 'amount':
    case 'fraction':
      return numeric(
        ask,
        ask.most ?? 1e9,
        ask.kind === 'fraction'
          ? `at most ${(ask.most ?? 1) * 100} %`
          : `over ${ask.most ?? 1e9} ${ask.unit ?? ''} cannot be meant`,
      );
    case 'count':
      return numeric(ask, ask.most ?? 100_000, `over ${ask.most ?? 100_000} cannot be meant`).integer(
        `${ask.label}: only whole numbers count`,
      );
    case 'money':
      return numeric(ask, 1e11, 'such a sum cannot be meant').integer(`${ask.label}: money is counted in whole cents`);
    case 'flag':
      return ask.optional ? boolean() : boolean().required(missing(ask));
    case 'choice':
      return string()
        .required(missing(ask))
        .oneOf(
          Object.keys(ask.choices ?? {}),
          `${ask.label}: choose one of ${Object.values(ask.choices ?? {}).join(', ')}`,
        );
    case 'text':
      return ask.optional
        ? string().max(200, `${ask.label}: at most 200 characters`)
        : string().required(missing(ask)).max(200, `${ask.label}: at most 200 characters`);
    case 'day':
      return string().required(missing(ask)).test('day', `${ask.label}: a day that exists, like 2027-03-09`, isDay);
    case 'list':
      return lines(
        ask,
        ask.of === undefined ? mixed() : isAsk(ask.of) ? fieldOf(ask.of) : schemaOf(ask.of).required(missing(ask)),
      );
    case 'variants':
      return lines(
        ask,
        lazy((line: unknown) => {
          const kind = typeof line === 'object' && line !== null ? String((line as { kind?: unknown }).kind) : '';
          const parts = Object.hasOwn(ask.variants ?? {}, kind) ? ask.variants?.[kind] : undefined;
          return parts
            ? schemaOf(parts).shape({ kind: string().required() })
            : mixed().test(
                'kind',
                `${ask.label}: each line is one of ${Object.keys(ask.variants ?? {}).join(', ')}`,
                () => false,
              );
        }) as unknown as AnySchema,
      );
  }
}

function lines(ask: Ask<unknown>, of: AnySchema): AnySchema {
  return array(of)
    .required(missing(ask))
    .min(ask.least ?? 1, `${ask.label}: at least ${ask.least ?? 1}`)
    .max(MOST_LINES, `${ask.label}: at most ${MOST_LINES} lines`);
}

function numeric(ask: Ask<unknown>, most: number, absurd: string): ReturnType<typeof number> {
  const base = number()
    .typeError(`${ask.label}: a number is needed`)
    .test('finite', `${ask.label}: a number is needed`, (value) => value === undefined || Number.isFinite(value))
    .max(most, `${ask.label}: ${absurd}`);
  const signed = ask.signed
    ? base.min(-most, `${ask.label}: ${absurd}`)
    : ask.zero
      ? base.min(0, `${ask.label}: not under 0`)
      : base.moreThan(0, `${ask.label}: over 0`);
  return (ask.optional ? signed : signed.required(missing(ask))) as ReturnType<typeof number>;
}
