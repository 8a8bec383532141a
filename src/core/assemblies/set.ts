import { MEASURES, type Measure, type Measures } from '../layout/measures';
import { answer, refuse, type Outcome } from '../problem';
import { shownUnit, typedAmount } from '../quantities/units';
import { halfDaysOf } from '../sequence/rates';
import type { UnitSystem } from '../units/units';
import type { Amount, Assembly, AssemblyAsk, AssemblyGoods, AssemblyLine, AssemblyStep } from './assembly';

/** What was answered, by its name: lengths in m, areas in m², counts. */
export type Answers = Readonly<Record<string, number>>;
/** Answers that follow the drawing. */
export type Fed = Readonly<Record<string, Measure>>;

interface SetLine extends Pick<AssemblyLine, 'key' | 'verb' | 'subject' | 'stance' | 'trade'> {
  /** As the job measures, to the second decimal. */
  quantity: number;
  unit: string;
  /** For one of this unit. */
  hours: number;
  /** It follows the drawing. */
  measure: Measure | null;
}

export interface SetGoods extends Pick<AssemblyGoods, 'what' | 'line'> {
  calculator: 'boxes' | 'running-lengths' | 'lengths-over-area' | 'pieces';
  input: Record<string, number>;
  fed: Record<string, Measure>;
}

interface SetStep extends Pick<AssemblyStep, 'text' | 'trade' | 'after'> {
  halfDays: number;
}

/** An assembly in an area: what it means there. */
export interface SetAssembly {
  lines: SetLine[];
  goods: SetGoods[];
  steps: SetStep[];
}

/** What the drawing answers, in the units that are asked in. */
export function drawnAnswers(
  asks: Assembly['asks'],
  measures: Measures,
): { answers: Record<string, number>; fed: Record<string, Measure> } {
  const answers: Record<string, number> = {};
  const fed: Record<string, Measure> = {};
  for (const [name, ask] of Object.entries(asks)) {
    const measure = ask.drawn?.find((candidate) => typeof measures[candidate] === 'number' && measures[candidate] > 0);
    if (measure === undefined) continue;
    fed[name] = measure;
    answers[name] = inUnit(measure, measures[measure] as number);
  }
  return { answers, fed };
}

/** A measure of the drawing in m² or m. */
const inUnit = (measure: Measure, value: number): number =>
  round(MEASURES[measure].dimension === 'length' ? value / 1000 : value);

const round = (value: number): number => Math.round(value * 1e4) / 1e4;

/** Sets an assembly by its answers; a problem names the answer that is missing or cannot be meant. */
export function setAssembly(assembly: Assembly, answers: Answers, fed: Fed, system: UnitSystem): Outcome<SetAssembly> {
  for (const [name, ask] of Object.entries(assembly.asks)) {
    const wrong = wrongAnswer(ask, answers[name]);
    if (wrong) return refuse({ code: 'answer-wrong', message: wrong, field: `answers.${name}` });
  }
  const of = (amount: Amount): number =>
    amount.reduce<number>((product, part) => product * (typeof part === 'number' ? part : (answers[part] ?? 0)), 1);
  return answer({
    lines: assembly.lines.flatMap((line) => (of(line.of) > 0 ? [setLine(line, of(line.of), fed, system)] : [])),
    goods: assembly.goods.flatMap((goods) => (of(goods.of) > 0 ? [setGoods(goods, of, fed)] : [])),
    steps: assembly.steps.flatMap(({ text, trade, of: amount, perHalfDay, after }) =>
      of(amount) > 0
        ? [{ text, trade, halfDays: halfDaysOf(of(amount), perHalfDay), ...(after ? { after } : {}) }]
        : [],
    ),
  });
}

function wrongAnswer({ label, unit, most, zero }: AssemblyAsk, value: number | undefined): string | undefined {
  if (value === undefined || Number.isNaN(value)) return `${label} is missing.`;
  if (value < 0 || (value === 0 && !zero)) return `${label} must be over 0.`;
  if (value > most) return `${label}: over ${most} ${unit === 'pieces' ? '' : `${unit} `}cannot be meant.`;
  if (unit === 'pieces' && !Number.isInteger(value)) return `${label}: pieces are counted whole.`;
  return undefined;
}

/** The one answer that an amount is a plain multiple of; undefined where it is of several. */
const onlyOf = (amount: Amount): { name: string; times: number } | undefined => {
  const names = amount.filter((part) => typeof part === 'string');
  const [name] = names;
  return names.length === 1 && name !== undefined
    ? {
        name,
        times: amount.reduce<number>((product, part) => (typeof part === 'number' ? product * part : product), 1),
      }
    : undefined;
};

function setLine(line: AssemblyLine, amount: number, fed: Fed, system: UnitSystem): SetLine {
  const { key, verb, subject, stance, trade, unit, hours } = line;
  // As little as can be written down: what is there at all is not written as nothing.
  const quantity =
    unit === 'pieces' ? amount : Math.max(0.01, Math.round(Number(typedAmount(amount, unit, system)) * 100) / 100);
  const only = onlyOf(line.of);
  return {
    ...{ key, verb, subject, trade, quantity },
    ...(stance ? { stance } : {}),
    unit: unit === 'pieces' ? unit : shownUnit(unit, system),
    // All of them together take as long in feet as in metres.
    hours: system === 'metric' ? hours : Number(((hours * amount) / quantity).toPrecision(6)),
    measure: only?.times === 1 ? (fed[only.name] ?? null) : null,
  };
}

/** The measure that goods follow: where the drawing gives one answer, of the dimension that their calculator asks. */
function followed({ of }: AssemblyGoods, fed: Fed): { name: string; times: number; measure: Measure } | undefined {
  const only = onlyOf(of);
  const measure = only && fed[only.name];
  return only && measure ? { ...only, measure } : undefined;
}

/** By the calculator that fits the unit; plain numbers go where it still follows the drawing. */
function setGoods(goods: AssemblyGoods, of: (amount: Amount) => number, fed: Fed): SetGoods {
  const { what, line, unit, waste, pack } = goods;
  const follows = followed(goods, fed);
  const overArea = follows && MEASURES[follows.measure].dimension === 'area';
  if (unit === 'pieces')
    return {
      ...{ what, line, calculator: 'pieces', fed: {} },
      input: { count: Math.ceil(of(goods.of) - 1e-9), each: pack, waste },
    };
  if (unit === 'm²')
    return {
      ...{ what, line, calculator: 'boxes' },
      input: follows
        ? { area: round(of([follows.name])), waste, perBox: pack / follows.times }
        : { area: round(of(goods.of)), waste, perBox: pack },
      fed: follows ? { area: follows.measure } : {},
    };
  if (overArea)
    return {
      ...{ what, line, calculator: 'lengths-over-area' },
      input: { area: round(of([follows.name])), perArea: follows.times, waste, stick: pack * 1000 },
      fed: { area: follows.measure },
    };
  const run = Math.round(of(follows ? [follows.name] : goods.of) * 1000);
  return {
    ...{ what, line, calculator: 'running-lengths' },
    input: { run, waste, stick: (pack * 1000) / (follows?.times ?? 1) },
    fed: follows ? { run: follows.measure } : {},
  };
}
