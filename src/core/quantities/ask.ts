import type { Measure } from '../layout/measures';

/**
 * What a calculator asks for and what it gives, as data: the Yup schema, the form on Bench, the stored calculation and
 * its printed explanation are all made from the same words.
 *
 * | ask | value | checks |
 * |---|---|---|
 * | length | mm | over 0 (with `zero` also 0, with `signed` any), under 1 km |
 * | amount | number in the unit named | over 0, or from 0 with `zero` |
 * | fraction | 0 … 1, said in % | waste up to 1 |
 * | count | whole number | from 1, or from 0 with `zero` |
 * | money | integer minor units | any sign with `signed` |
 * | flag, choice, text, day | | closed sets and days that exist |
 * | list | of one ask or of named ones | as many as `least` |
 */
export interface Ask<Value> {
  kind: 'length' | 'amount' | 'fraction' | 'count' | 'money' | 'flag' | 'choice' | 'text' | 'day' | 'list' | 'variants';
  label: string;
  hint?: string;
  unit?: string;
  zero?: true;
  signed?: true;
  most?: number;
  /** What is usual: outside of it is asked back, never refused. mm, or in the unit named. */
  usual?: readonly [number, number];
  optional?: true;
  choices?: Readonly<Record<string, string>>;
  /** The parts of each line of a list. */
  of?: Asks | Ask<unknown>;
  /** Lines of several kinds: `kind` decides which parts they have. */
  variants?: Readonly<Record<string, Asks>>;
  least?: number;
  /** What a drawing may give for it, the likeliest first. */
  drawn?: readonly Measure[];
  /** Only carries the type. */
  readonly value?: Value;
}

export type Asks = { readonly [name: string]: Ask<unknown> };
type ValueOf<A> = A extends Ask<infer Value> ? Value : never;
export type InputOf<A extends Asks> = { [Name in keyof A]: ValueOf<A[Name]> };

interface Terms {
  hint?: string;
  zero?: true;
  signed?: true;
  most?: number;
  usual?: readonly [number, number];
  drawn?: readonly Measure[];
}

/** Whatever covers an area: which of the drawing's it usually is. */
export const OF_WALLS: readonly Measure[] = [
  'wallsNet',
  'wallsNetLarge',
  'wallsGross',
  'faceNet',
  'faceNetLarge',
  'faceGross',
  'floor',
];
export const OF_FLOOR: readonly Measure[] = ['floor', ...OF_WALLS.filter((measure) => measure !== 'floor')];
/** Masonry and cladding, inside or out. */
export const OF_FACE: readonly Measure[] = [
  'faceNet',
  'faceNetLarge',
  'faceGross',
  'wallsNet',
  'wallsNetLarge',
  'wallsGross',
];

/** A board or sheet as it is sold. mm */
export const SHEET_SIDE: readonly [number, number] = [300, 6000];

export const length = (label: string, terms: Terms = {}): Ask<number> => ({ kind: 'length', label, ...terms });
export const amount = (label: string, unit: string, terms: Terms = {}): Ask<number> => ({
  kind: 'amount',
  label,
  unit,
  ...terms,
});
export const area = (label: string, terms: Terms = {}): Ask<number> => amount(label, 'm²', { most: 100_000, ...terms });
export const fraction = (label: string, terms: Terms = {}): Ask<number> => ({
  kind: 'fraction',
  label,
  zero: true,
  most: 1,
  ...terms,
});
export const waste = (): Ask<number> => fraction('waste', { hint: 'cuts, breakage and spares, in %' });
export const count = (label: string, terms: Terms = {}): Ask<number> => ({
  kind: 'count',
  label,
  most: 100_000,
  ...terms,
});
export const money = (label: string, terms: Terms = {}): Ask<number> => ({
  kind: 'money',
  label,
  zero: true,
  ...terms,
});
export const flag = (label: string): Ask<boolean> => ({ kind: 'flag', label });
export const text = (label: string): Ask<string> => ({ kind: 'text', label });
export const day = (label: string): Ask<string> => ({ kind: 'day', label });
export const choice = <Choice extends string>(
  label: string,
  choices: Readonly<Record<Choice, string>>,
): Ask<Choice> => ({ kind: 'choice', label, choices });
/** May be left out; the calculator says what then holds. */
export const optional = <Value>(ask: Ask<Value>): Ask<Value | undefined> => ({ ...ask, optional: true });

interface ListTerms {
  least?: number;
  hint?: string;
  drawn?: readonly Measure[];
}

export const listOf = <Value>(label: string, of: Ask<Value>, terms: ListTerms = {}): Ask<Value[]> => ({
  kind: 'list',
  label,
  of,
  ...terms,
});
export const rowsOf = <Parts extends Asks>(label: string, of: Parts, terms: ListTerms = {}): Ask<InputOf<Parts>[]> => ({
  kind: 'list',
  label,
  of,
  ...terms,
});

type Variant<V extends Readonly<Record<string, Asks>>> = {
  [Kind in keyof V]: { kind: Kind } & InputOf<V[Kind]>;
}[keyof V];
export const variantsOf = <V extends Readonly<Record<string, Asks>>>(
  label: string,
  choices: Readonly<Record<keyof V & string, string>>,
  variants: V,
  terms: ListTerms = {},
): Ask<Variant<V>[]> => ({ kind: 'variants', label, choices, variants, ...terms });

/** One ask, and not a set of named ones. */
export const isAsk = (of: Asks | Ask<unknown>): of is Ask<unknown> => typeof of.kind === 'string';

/** How a result is read: which unit, and whether it is the answer or on the way to it. */
export interface Give {
  kind:
    | 'length'
    | 'level'
    | 'area'
    | 'volume'
    | 'mass'
    | 'number'
    | 'count'
    | 'money'
    | 'fraction'
    | 'flag'
    | 'text'
    | 'day'
    | 'counts'
    | 'levels'
    | 'texts'
    | 'cans'
    | 'cuts'
    | 'table';
  label: string;
  unit?: string;
  /** The figure that is looked for. */
  main?: true;
  /** Flags: which value is the good one. */
  good?: boolean;
}

export const give = (kind: Give['kind'], label: string, terms: Omit<Give, 'kind' | 'label'> = {}): Give => ({
  kind,
  label,
  ...terms,
});
/** The answer itself. */
export const main = { main: true } as const;
