'use client';
import { useEffect } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { setAssemblyCommand } from '@/contract/commands/assemblies';
import type { AssembliesView } from '@/contract/views/assemblies';
import type { AssemblyAsk } from '@/core/assemblies/assembly';
import { setAssembly, type SetGoods } from '@/core/assemblies/set';
import type { Measure } from '@/core/layout/measures';
import { lineNet, priceOf } from '@/core/money/price';
import { boxes } from '@/core/quantities/boxes';
import { lengthsOverArea } from '@/core/quantities/lengths-over-area';
import { pieces } from '@/core/quantities/pieces';
import { runningLengths } from '@/core/quantities/running-lengths';
import { TRADES } from '@/core/sequence/trades';
import { figure } from '@/core/units/format-quantity';
import { sum } from '@/core/units/rounding';
import { daysOf } from '@/core/words/count';
import { CommandForm, TextField } from '../kit/form';
import { Line, Lines } from '../kit/lines';
import { AmountField, LengthInMetres, MoneyField } from '../kit/measure-fields';
import { useMoney } from '../kit/money';
import { Notice } from '../kit/notice';
import { newId } from '../offline/send';

type Offered = AssembliesView['catalogue'][number];
interface Terms {
  view: AssembliesView;
  assembly: Offered;
  area: AssembliesView['areas'][number];
  onDone: () => void;
}

/** What is not drawn begins with what is usual. */
const startOf = (asks: Offered['asks'], drawn: Record<string, number>): Record<string, number> =>
  Object.fromEntries(
    Object.entries(asks).flatMap(([name, ask]) => {
      const value = drawn[name] ?? ask.usual;
      return value === undefined ? [] : [[name, value]];
    }),
  );

const drawnOf = ({ drawn, fed }: Offered, name: string): { value: number; measure: Measure } | undefined => {
  const [value, measure] = [drawn[name], fed[name]];
  return value === undefined || measure === undefined ? undefined : { value, measure };
};

/** Answers, prices of goods, and what comes of them while they are typed. */
export function AssemblyForm({ view, assembly, area, onDone }: Terms) {
  return (
    <CommandForm
      kind={setAssemblyCommand}
      submit={`Set in ${area.name}`}
      onDone={onDone}
      start={() => ({
        id: newId(),
        area: area.id,
        assembly: assembly.key,
        answers: startOf(assembly.asks, assembly.drawn),
        fed: assembly.fed,
        prices: Object.fromEntries(
          assembly.goods.flatMap(({ what }) => {
            const price = view.prices[what];
            return price === undefined ? [] : [[what, price]];
          }),
        ),
      })}
    >
      <p className="soft mb-0">“{assembly.says}”</p>
      {Object.entries(assembly.asks).map(([name, ask]) => (
        <Answer key={name} name={name} ask={ask} view={view} drawn={drawnOf(assembly, name)} />
      ))}
      <Meant view={view} assembly={assembly} />
    </CommandForm>
  );
}

/** One answer, as the job measures: it follows the drawing until something else is typed. */
function Answer({
  name,
  ask,
  view,
  drawn,
}: {
  name: string;
  ask: AssemblyAsk;
  view: AssembliesView;
  /** What the drawing says, and by which measure. */
  drawn: { value: number; measure: Measure } | undefined;
}) {
  const { setValue } = useFormContext();
  const [value, fed] = useWatch({ name: [`answers.${name}`, 'fed'] }) as [number | undefined, Record<string, Measure>];
  const follows = drawn !== undefined && value === drawn.value;
  useEffect(() => {
    if (!drawn || follows === name in fed) return;
    const { [name]: _, ...others } = fed;
    setValue('fed', follows ? { ...others, [name]: drawn.measure } : others);
  }, [drawn, fed, follows, name, setValue]);
  const label = `${ask.label}${drawn ? (follows ? ', as drawn' : ', typed and not as drawn') : ''}`;
  if (ask.unit === 'pieces') return <TextField name={`answers.${name}`} label={label} type="number" />;
  return ask.unit === 'm' ? (
    <LengthInMetres name={`answers.${name}`} label={label} system={view.units} />
  ) : (
    <AmountField name={`answers.${name}`} label={label} system={view.units} of="m²" />
  );
}

const CALCULATORS = {
  boxes,
  'running-lengths': runningLengths,
  'lengths-over-area': lengthsOverArea,
  pieces,
} as const;

/** How many are bought. */
function bought(goods: SetGoods, system: AssembliesView['units']): number {
  const calculator = CALCULATORS[goods.calculator];
  const outcome = calculator.run(goods.input, system);
  return outcome.ok ? (calculator.purchases(outcome.value, goods.input)[0]?.quantity ?? 0) : 0;
}

/** What it means here: lines with hours, goods with their prices, steps, what has to be chosen, what to be careful of. */
function Meant({ view, assembly }: { view: AssembliesView; assembly: Offered }) {
  const money = useMoney();
  const { answers, prices, fed } = useWatch() as {
    fed: Record<string, Measure>;
    answers: Record<string, number | string | undefined>;
    prices: Record<string, number | undefined> | undefined;
  };
  const numbers = Object.fromEntries(
    Object.entries(answers).map(([name, value]) => [
      name,
      typeof value === 'string' ? Number(value) : (value ?? Number.NaN),
    ]),
  );
  const set = setAssembly(assembly, numbers, fed, view.units);
  if (!set.ok) return <p className="soft mb-0">{set.problem.message}</p>;
  const rates = new Map(view.rates.map(({ trade, perHour }) => [trade, perHour]));
  const hours = sum(set.value.lines.map((line) => line.quantity * line.hours));
  const unpaid = [...new Set(set.value.lines.flatMap(({ trade }) => (rates.has(trade) ? [] : [trade])))];
  const { currency } = view.terms;
  const goods = set.value.goods.map((each) => ({ ...each, count: bought(each, view.units) }));
  const nets = [
    ...set.value.lines.map((line) =>
      lineNet({ quantity: line.quantity * line.hours, unitPrice: rates.get(line.trade) ?? 0 }, currency),
    ),
    ...goods.map(({ what, count }) => lineNet({ quantity: count, unitPrice: prices?.[what] ?? 0 }, currency)),
  ];
  return (
    <>
      <h3 className="mb-0">Work</h3>
      <Lines>
        {set.value.lines.map((line) => (
          <Line
            key={line.key}
            beside={<span className="mono text-nowrap">{figure(line.quantity * line.hours, 1)} h</span>}
            small
          >
            {line.verb} {line.subject}, {line.quantity} {line.unit}{' '}
            <span className="soft">{TRADES[line.trade].toLowerCase()}</span>
          </Line>
        ))}
        {set.value.steps.map((step) => (
          <Line key={step.text} beside={<span className="small-text">{daysOf(step.halfDays)}</span>} small>
            step: {step.text}
          </Line>
        ))}
      </Lines>
      {goods.length > 0 && <h3 className="mb-0">Goods</h3>}
      {goods.map(({ what, count }) => (
        <MoneyField key={what} name={`prices.${what}`} label={`${what}, ${count}: price of one`} />
      ))}
      {unpaid.length > 0 && (
        <Notice bad>
          Nobody has said what an hour of {unpaid.map((trade) => TRADES[trade].toLowerCase()).join(', ')} costs: it
          counts nothing until it is said in Settings.
        </Notice>
      )}
      <p className="mb-0">
        {figure(hours, 1)} hours, {money(priceOf(nets, view.terms).net)}; the client pays{' '}
        <span className="mono fw-bold">{money(priceOf(nets, view.terms).total)}</span>, everything included.
      </p>
      {assembly.choices.length > 0 && (
        <p className="small-text mb-0">To be chosen: {assembly.choices.map(({ category }) => category).join(', ')}.</p>
      )}
      {assembly.questions.length > 0 && (
        <p className="small-text mb-0">
          Asked on site:{' '}
          {assembly.questions.map(({ subject, options }) => `${subject} (${options.join(' or ')})`).join('; ')}.
        </p>
      )}
      {assembly.cautions.map((caution) => (
        <p key={caution} className="small-text soon mb-0">
          {caution}
        </p>
      ))}
    </>
  );
}
