import type { AnswerView, PlacedAnswer, SlipView } from '@/contract/views/advice';
import { blocksOf, type Block } from '@/core/advice/rungs';
import { addDays, formatDay, weekday, type Day } from '@/core/units/day';
import { dayOfSlot, lastDay } from '@/core/units/slot';
import { listed } from '@/core/words/count';
import { useMoney } from '../kit/money';
import { againstPromise, isLate, tripsSaid } from './said';

/** How tall the picture is, and how much of it a block needs for its words and a week for its day; in pixels. */
const TALL = 330;
const WORDS = 17;
const WEEK = 30;
const LINE = 12;

/** How wide the first column is, and any other at most; in rem. */
const FIRST = 7.2;
const MOST = 14;

/** Slots above the last end. */
const ABOVE = 4;

/** Empty time from which it is worth a word, in slots. */
const LONG = 10;

/** Answers beside one another on one scale: the work that is left in the rooms concerned, standing, today at the foot. */
export function Ladders({
  slip,
  answers,
  chosen,
  onPick,
}: {
  slip: SlipView;
  answers: readonly AnswerView[];
  chosen: string | undefined;
  onPick: (key: string) => void;
}) {
  const columns: readonly PlacedAnswer[] = [slip.wait, ...answers];
  const top = Math.max(slip.promiseSlot ?? 0, slip.comes?.slot ?? 0, ...columns.map(({ endSlot }) => endSlot)) + ABOVE;
  const scale: Scale = { top, at: (slot) => `${(100 * slot) / top}%`, least: (WORDS * top) / TALL };
  return (
    <table className="ladders" style={{ maxInlineSize: `${FIRST + columns.length * MOST}rem` }}>
      <thead>
        <tr>
          <td className="small-text soft">After Wait the best first.</td>
          {columns.map((one) => (
            <th key={one.key} scope="col" className={one.key === chosen ? 'chosen' : ''}>
              <Head answer={one} chosen={one.key === chosen} onPick={one.key === slip.wait.key ? undefined : onPick} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr className="picture" aria-hidden="true">
          <td>
            <Axis slip={slip} scale={scale} />
          </td>
          {columns.map((one) => (
            <td key={one.key} className={one.key === chosen ? 'chosen' : ''}>
              <Standing slip={slip} answer={one} scale={scale} />
            </td>
          ))}
        </tr>
        <Rows columns={columns} chosen={chosen} />
      </tbody>
    </table>
  );
}

interface Scale {
  top: number;
  /** How high a slot stands. */
  at: (slot: number) => string;
  /** Slots of the shortest block that can be read. */
  least: number;
}

function Head({
  answer,
  chosen,
  onPick,
}: {
  answer: PlacedAnswer;
  chosen: boolean;
  onPick: ((key: string) => void) | undefined;
}) {
  const words = (
    <>
      <span className="d-block fw-bold">{answer.title}</span>
      <span className="ends d-block">{answer.ends}</span>
      {answer.late !== null && (
        <span className={`d-block small-text fw-normal ${isLate(answer) ? 'bad' : 'good'}`}>
          {againstPromise(answer.late)}
        </span>
      )}
    </>
  );
  if (!onPick) return <div>{words}</div>;
  return (
    <button type="button" aria-pressed={chosen} onClick={() => onPick(answer.key)}>
      {words}
    </button>
  );
}

/** Mondays, as many as there is room for, the promise, today, and the day on which the goods come. */
function Axis({ slip: { today, promise, promiseSlot, comes }, scale }: { slip: SlipView; scale: Scale }) {
  const named = [
    { slot: 0, label: `today, ${formatDay(today)}`, kind: 'today' },
    ...(promiseSlot === null ? [] : [{ slot: promiseSlot, label: `promised ${promise}`, kind: 'promise' }]),
    ...(comes
      ? [{ slot: comes.slot, label: `${comes.label} ${formatDay(dayOfSlot(today, comes.slot), today)}`, kind: 'comes' }]
      : []),
  ];
  const room = (WEEK * scale.top) / TALL;
  const mondays = mondaysOf(today, scale).filter(({ slot }) => named.every((one) => Math.abs(one.slot - slot) >= room));
  return (
    <>
      {mondays.map(({ slot, label }) => (
        <span key={slot} className="on soft" style={{ insetBlockEnd: scale.at(slot) }}>
          {label}
        </span>
      ))}
      {named.map(({ slot, label, kind }) => (
        <span key={kind} className={`on fw-bold ${kind}`} style={{ insetBlockEnd: scale.at(slot) }}>
          {label}
        </span>
      ))}
    </>
  );
}

function mondaysOf(today: Day, { top }: Scale): { slot: number; label: string }[] {
  const first = (8 - weekday(today)) % 7;
  const weeks = Math.ceil((WEEK * top) / TALL / 14);
  const count = Math.max(0, Math.ceil((top - 2 * first) / (14 * weeks)));
  return Array.from({ length: count }, (_, at) => {
    const day = first + 7 * weeks * at;
    return { slot: 2 * day, label: formatDay(addDays(today, day), today) };
  });
}

/** The work of one answer as it stands from today on, with what is late above the promise. */
function Standing({ slip, answer, scale }: { slip: SlipView; answer: PlacedAnswer; scale: Scale }) {
  const { promiseSlot, comes, today } = slip;
  const blocks = blocksOf(answer.rungs, scale.least);
  const over = promiseSlot !== null && answer.endSlot > promiseSlot;
  return (
    <>
      <span className="line today" style={{ insetBlockEnd: 0 }} />
      {promiseSlot !== null && <span className="line promise" style={{ insetBlockEnd: scale.at(promiseSlot) }} />}
      {comes && <span className="line comes" style={{ insetBlockEnd: scale.at(comes.slot) }} />}
      <span className="shaft misted mist-4" style={{ insetBlockEnd: 0, blockSize: scale.at(answer.endSlot) }} />
      {over && (
        <span
          className="over"
          style={{ insetBlockEnd: scale.at(promiseSlot), blockSize: scale.at(answer.endSlot - promiseSlot) }}
        />
      )}
      {gapsOf(blocks).map(({ from, to }) => (
        <span key={from} className="nobody" style={{ insetBlockEnd: scale.at(from), blockSize: scale.at(to - from) }}>
          <span>nobody, {Math.round((to - from) / 2)} days</span>
        </span>
      ))}
      {blocks.map((block) => (
        <Piece key={`${block.from} ${block.labels.join()}`} block={block} today={today} scale={scale} />
      ))}
      <span className={`line end ${over ? 'bad' : ''}`} style={{ insetBlockEnd: scale.at(answer.endSlot) }} />
    </>
  );
}

/** A block with as many lines of its words as there is room for. */
function Piece({ block, today, scale }: { block: Block; today: Day; scale: Scale }) {
  const { from, to, labels, slipped } = block;
  const lines = Math.floor((((to - from) * TALL) / scale.top + 1) / LINE);
  const on = (day: Day): string => formatDay(day, today);
  return (
    <span
      className={slipped ? 'block slipped' : 'block'}
      title={`${listed(labels)}, ${on(dayOfSlot(today, from))} to ${on(lastDay(today, to))}`}
      style={{ insetBlockEnd: scale.at(from), blockSize: scale.at(to - from) }}
    >
      {lines > 0 && <span style={{ WebkitLineClamp: lines }}>{labels.join(', ')}</span>}
    </span>
  );
}

/** Stretches in which nobody is in the rooms, from today on. */
function gapsOf(blocks: readonly Block[]): { from: number; to: number }[] {
  let until = 0;
  return blocks.flatMap(({ from, to }) => {
    const gap = { from: until, to: from };
    until = Math.max(until, to);
    return gap.to - gap.from >= LONG ? [gap] : [];
  });
}

/** What each comes to, thing by thing; the best of a row is bold. */
function Rows({ columns, chosen }: { columns: readonly PlacedAnswer[]; chosen: string | undefined }) {
  const money = useMoney();
  const rows: { term: string; of: (one: PlacedAnswer) => number; say?: (value: number) => string; shown?: boolean }[] =
    [
      { term: 'Days won', of: ({ won }) => -won, say: (value) => String(-value || 0) },
      {
        ...{ term: 'Money', of: ({ cost }) => cost, shown: columns.some(({ cost }) => cost !== 0) },
        say: (value) => (value === 0 ? 'as much' : `${money(Math.abs(value))} ${value > 0 ? 'more' : 'less'}`),
      },
      { term: 'Trips', of: ({ trips }) => trips, say: tripsSaid },
      { term: 'People to tell', of: ({ people }) => people },
      { term: 'Days off worked', of: ({ daysOff }) => daysOff, shown: columns.some(({ daysOff }) => daysOff > 0) },
      { term: 'Nights without', of: ({ nights }) => nights, shown: columns.some(({ nights }) => nights > 0) },
      { term: 'Left open too long', of: ({ open }) => open, shown: columns.some(({ open }) => open > 0) },
      { term: 'Promises to settle', of: ({ conflicts }) => conflicts, shown: columns.some((one) => one.conflicts > 0) },
    ];
  return rows
    .filter(({ shown }) => shown !== false)
    .map(({ term, of, say = String }) => {
      const values = columns.map(of);
      const best = Math.min(...values);
      const differs = values.some((value) => value !== best);
      return (
        <tr key={term} className="small-text">
          <th scope="row">{term}</th>
          {columns.map((one) => (
            <td
              key={one.key}
              className={`${one.key === chosen ? 'chosen' : ''}${differs && of(one) === best ? ' fw-bold' : ''}`}
            >
              {say(of(one))}
            </td>
          ))}
        </tr>
      );
    });
}
