import type { MoneyView } from '@/contract/views/money';
import { SPENDING_KINDS } from '@/core/money/spending';
import { sum } from '@/core/units/rounding';
import { useMoney } from '../kit/money';

/** How a part of a bar is drawn: what is there is full, what is bound is hatched, what is only expected lies in mist. */
type Drawn = 'there' | 'bound' | 'mist';
interface Part {
  text: string;
  amount: number;
  drawn: Drawn;
}

/** Three bars of one measure: what comes in, what of it is paid, what it costs. */
export function MoneyBars({ view }: { view: MoneyView }) {
  const money = useMoney();
  const { agreed, estimated, changes, costs, payments, expectedProfit } = view;
  const all = (of: 'spent' | 'ordered' | 'toCome' | 'expected'): number =>
    sum(SPENDING_KINDS.map((kind) => costs[kind][of]));
  const bars: { name: string; total: number; parts: Part[] }[] = [
    {
      name: 'Price',
      total: (agreed?.total ?? estimated.total) + changes.approved.total + changes.asked.total,
      parts: [
        agreed
          ? { text: 'agreed', amount: agreed.total, drawn: 'there' }
          : { text: 'not agreed yet', amount: estimated.total, drawn: 'mist' },
        { text: `changes approved, ${changes.approved.count}`, amount: changes.approved.total, drawn: 'bound' },
        { text: `changes asked, ${changes.asked.count}`, amount: changes.asked.total, drawn: 'mist' },
      ],
    },
    {
      name: 'Paid',
      total: payments.received + Math.max(0, payments.due),
      parts: [
        { text: 'paid by the client', amount: payments.received, drawn: 'there' },
        { text: 'due now', amount: Math.max(0, payments.due), drawn: 'bound' },
      ],
    },
    {
      name: 'Costs',
      total: all('expected'),
      parts: [
        { text: 'spent', amount: all('spent'), drawn: 'there' },
        { text: 'ordered, not paid for', amount: all('ordered'), drawn: 'bound' },
        { text: 'expected to come', amount: all('toCome'), drawn: 'mist' },
      ],
    },
  ];
  const longest = Math.max(1, ...bars.map(({ total }) => total));
  return (
    <section className="money-bars" aria-label="The money at a glance">
      {bars.map((bar) => (
        <div key={bar.name} className="money-bar">
          <span className="fw-bold">{bar.name}</span>
          <div className="bar" aria-hidden="true">
            {bar.parts.map((part) => (
              <span
                key={part.text}
                className={`part ${part.drawn}`}
                style={{ width: `${(Math.max(0, part.amount) / longest) * 100}%` }}
              />
            ))}
          </div>
          <span className="mono fw-bold text-end">{money(bar.total)}</span>
          <ul className="parts small-text">
            {bar.parts
              .filter((part, at) => at === 0 || part.amount !== 0)
              .map((part) => (
                <li key={part.text}>
                  <span className={`swatch ${part.drawn}`} aria-hidden="true" />
                  {part.text} <span className="mono">{money(part.amount)}</span>
                </li>
              ))}
          </ul>
        </div>
      ))}
      <p className="small-text soft mb-0">
        {expectedProfit !== null && (
          <>
            The firm is expected to keep, before tax,{' '}
            <span className={`mono ${expectedProfit < 0 ? 'bad' : 'good'}`}>{money(expectedProfit)}</span>.{' '}
          </>
        )}
        {view.risk.open > 0 && (
          <>
            Not counted: {view.risk.open} {view.risk.open === 1 ? 'assumption' : 'assumptions'} still open, which would
            cost <span className="mono">{money(view.risk.most)}</span> if {view.risk.open === 1 ? 'it is' : 'all are'}{' '}
            wrong; by how sure we are, <span className="mono">{money(view.risk.likely)}</span>.{' '}
          </>
        )}
        Costs are before overhead and tax. What is done ({Math.round(view.done * 100)} % of the work) is counted with at
        least what was planned for it, since bills come late.
      </p>
    </section>
  );
}
