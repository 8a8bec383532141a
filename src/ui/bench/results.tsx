import { StateIcon } from '../kit/state-icon';
import type { AnyCalculator } from '@/core/quantities/calculator';
import type { Cut } from '@/core/quantities/cut-list';
import type { Give } from '@/core/quantities/ask';
import type { Ask } from '@/core/quantities/ask';
import { sayAmount } from '@/core/quantities/units';
import { useCurrency } from '../kit/money';
import { sayResult } from '@/core/quantities/say';
import { textOf, writeTyped, type Typed } from '@/core/quantities/typed';
import { shownUnit } from '@/core/quantities/units';
import type { UnitSystem } from '@/core/units/units';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { Lines } from '../kit/lines';

interface Terms {
  calculator: AnyCalculator;
  input: Record<string, unknown>;
  output: Record<string, unknown>;
  system: LengthSystem;
}

/** The answer large, what leads to it beneath, drawn where it is a drawing. */
export function Results({ calculator, input, output, system }: Terms) {
  const given = Object.entries(calculator.gives).filter(([name]) => name in output);
  const cuts = given.find(([, give]) => give.kind === 'cuts');
  return (
    <div className="results" aria-live="polite">
      <dl>
        {given
          .filter(([, give]) => give.kind !== 'cuts')
          .map(([name, give]) => (
            <div key={name} className={give.main ? 'main' : ''}>
              <dt>{give.label}</dt>
              <dd>
                <Value give={give} value={output[name]} system={system} input={input} />
              </dd>
            </div>
          ))}
      </dl>
      {cuts && <CutSticks cuts={output[cuts[0]] as Cut[]} system={system} />}
    </div>
  );
}

function Value({
  give,
  value,
  system,
  input,
}: {
  give: Give;
  value: unknown;
  system: LengthSystem;
  input: Record<string, unknown>;
}) {
  const currency = useCurrency();
  if (give.kind === 'flag')
    return (
      <>
        <StateIcon
          kind={give.good === undefined ? (value ? 'done' : 'not-begun') : value === give.good ? 'done' : 'stop'}
          silent
        />{' '}
        {sayResult(give, value, system, currency)}
      </>
    );
  if (give.kind === 'texts')
    return (value as string[]).length === 0 ? (
      <>nothing</>
    ) : (
      <ul className="mb-0 ps-3">
        {(value as string[]).map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    );
  if (give.kind === 'cans') {
    const cans = input.cans as { litres: number }[];
    const bought = (value as number[]).flatMap((many, index) =>
      many > 0 ? [`${many} × ${sayAmount(cans[index]?.litres ?? 0, 'L', system, 2)}`] : [],
    );
    return <>{bought.join(' + ')}</>;
  }
  return <>{sayResult(give, value, system, currency)}</>;
}

/** A cut list stick by stick: what is cut from each, in its proportion, and what is left over. */
export function CutSticks({ cuts, system }: { cuts: Cut[]; system: LengthSystem }) {
  const longest = Math.max(...cuts.map((cut) => cut.stock));
  // Sticks that are cut alike are drawn once.
  const alike = new Map<string, { cut: Cut; count: number }>();
  for (const cut of cuts) {
    const key = JSON.stringify([cut.stock, cut.pieces.map((piece) => piece.length)]);
    alike.set(key, { cut: alike.get(key)?.cut ?? cut, count: (alike.get(key)?.count ?? 0) + 1 });
  }
  return (
    <ol className="sticks" aria-label="Stick by stick">
      {[...alike.values()].map(({ cut, count }, at) => (
        <li key={at}>
          <div className="small-text soft">
            <span className="mono">
              {count} × {formatLength(cut.stock, system)}
            </span>
            {cut.left > 0.5 ? (
              <>
                , left over <span className="mono">{formatLength(cut.left, system)}</span>
              </>
            ) : (
              ''
            )}
          </div>
          <div className="stick" style={{ width: `${(cut.stock / longest) * 100}%` }}>
            {cut.pieces.map((piece, index) => (
              <span key={index} className="piece" style={{ flexGrow: piece.length }} title={piece.label}>
                <span className="mono">{formatLength(piece.length, system)}</span>
              </span>
            ))}
            {cut.left > 0.5 && <span className="left" style={{ flexGrow: cut.left }} />}
          </div>
        </li>
      ))}
    </ol>
  );
}

/** How it was computed: what went in, the formula, where it comes from, who decides. */
export function HowComputed({ calculator, input, system }: Omit<Terms, 'output'>) {
  const typed = writeTyped(calculator.asks, input, system);
  return (
    <details className="how">
      <summary>How this is computed</summary>
      <p className="mt-2">
        <span className="mono text-wrap">{calculator.formula}</span>
      </p>
      <Lines className="small-text">
        {Object.entries(calculator.asks).map(([name, ask]) => (
          <li key={name}>
            <span className="what soft">{ask.label}</span>
            <span className="mono text-wrap text-end">{said(ask, typed[name], system)}</span>
          </li>
        ))}
      </Lines>
      <p className="small-text soft mt-2 mb-0">{calculator.source}</p>
    </details>
  );
}

function said(ask: Ask<unknown>, value: Typed | undefined, system: UnitSystem): string {
  if (Array.isArray(value))
    return (
      value
        .map((line) =>
          typeof line === 'object' && !Array.isArray(line)
            ? Object.values(line).map(textOf).filter(Boolean).join(' · ')
            : textOf(line),
        )
        .join('; ') || 'none'
    );
  if (ask.kind === 'flag') return value === true ? 'yes' : 'no';
  const text = textOf(value);
  if (ask.kind === 'choice') return ask.choices?.[text] ?? '';
  return text === ''
    ? 'not given'
    : `${text}${ask.kind === 'fraction' ? ' %' : ask.unit ? ` ${shownUnit(ask.unit, system)}` : ''}`;
}
