'use client';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useEffect, useLayoutEffect, useRef, useState, type CSSProperties } from 'react';
import type { BoardBlock, BoardView } from '@/contract/views/plan';
import { formatDate, formatMonth, isMonday } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { Ends, Marks, Weather } from './board-head';
import type { Moved } from './move-form';
import { Piece } from './piece';

/** A day off takes less room than a worked one. */
const OFF_SHARE = '0.28fr';

interface Terms {
  view: BoardView;
  job: string | undefined;
  chosen: string | undefined;
  onChoose: (task: string | undefined) => void;
  /** A block was dragged to begin on another half-day. */
  onMove: (block: BoardBlock, to: Moved) => void;
}

/** Pixels that a press may wander before it is a drag. */
const DRAG_FROM = 6;
/** From so many days on only Mondays are named. */
const WIDE = 28;

/** Lanes of blocks that stand on about a screen; rows beyond them are one press away, and on paper. */
const LANES = 15;

function rowsThatFit({ rows }: BoardView): number {
  let lanes = 0;
  const at = rows.findIndex((row) => {
    lanes += 0.5 + Math.max(1, ...row.blocks.map(({ lane }) => lane + 1));
    return lanes > LANES;
  });
  // One row more is no longer than the button that hides it.
  return at === -1 || at >= rows.length - 1 ? rows.length : at;
}

/** The jobs on a board, in the order of their names: each has its own foot line under its blocks. */
export const jobsOn = (view: BoardView): string[] =>
  [...new Set(view.rows.flatMap((row) => row.blocks.map(({ job }) => job)))].sort();

/** `March 2027`, or the first and the last month where there are several. */
function monthsOf({ days }: BoardView): string {
  const months = days.map(({ day }) => formatMonth(day));
  const [first = '', last = ''] = [months[0], months.at(-1)];
  return first === last ? first : `${first.replace(/ \d+$/, '')} to ${last}`;
}

/** Time across, trades or areas down; each day two cells. A block that waits can be taken to another half-day. */
export function Board({ view, job, chosen, onChoose, onMove }: Terms) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM } }));
  const wide = view.days.length >= WIDE;
  const halves = view.days
    .flatMap((day) =>
      day.worked ? ['minmax(0, 1fr)', 'minmax(0, 1fr)'] : [`minmax(0, ${OFF_SHARE})`, `minmax(0, ${OFF_SHARE})`],
    )
    .join(' ');
  const board = useRef<HTMLDivElement>(null);
  const feet = jobsOn(view);
  const fits = rowsThatFit(view);
  // Work that is open must be seen.
  const opened = view.rows.findIndex((row) => row.blocks.some(({ task }) => task === chosen));
  const [all, setAll] = useAllRows(opened >= fits);
  const drop = ({ active, delta }: DragEndEvent): void => {
    const block = active.data.current as BoardBlock | undefined;
    const to = block && landing(board.current, view, block, delta.x);
    if (block && to) onMove(block, to);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={drop}
      accessibility={{ screenReaderInstructions: { draggable: 'Choose a block to move it by typing its day.' } }}
    >
      <div ref={board} className={`board ${wide ? 'wide' : ''}`} style={{ '--halves': halves } as CSSProperties}>
        {view.ends.length > 0 && (
          <>
            <div />
            <Ends view={view} />
          </>
        )}
        <Marks view={view} tone="hold" wide={wide} />
        <Marks view={view} tone="delivery" wide={wide} />
        <div className="days month">{monthsOf(view)}</div>
        <div className="days when-line">
          {view.days.map((day, index) => (
            <div
              key={day.day}
              className={`day ${day.worked ? '' : 'off'} ${day.day === view.today ? 'now' : ''}`}
              style={{ gridColumn: `${2 * index + 1} / span 2`, gridRow: 1 }}
            >
              {!wide ? day.label : isMonday(day.day) ? formatDate(day.day) : ''}
            </div>
          ))}
        </div>
        {view.weather.length > 0 && (
          <>
            <div className="row-name small-text soft">outlook</div>
            <Weather view={view} wide={wide} />
          </>
        )}
        <div className="rows">
          <Lines view={view} />
          {view.rows.map((row, at) => (
            <Row key={row.id} name={row.name} note={row.note} folded={!all && at >= fits}>
              <div
                className={`when-line track ${!all && at >= fits ? 'folded' : ''}`}
                style={{
                  gridTemplateRows: `repeat(${Math.max(0, ...row.blocks.map((block) => block.lane)) + 1}, 2.25rem) 1fr`,
                }}
                role="group"
                aria-label={`${row.name}, ${row.note}`}
              >
                {row.blocks.map((block) => (
                  <Piece
                    key={block.task}
                    block={block}
                    elsewhere={job !== undefined && block.jobId !== job}
                    foot={job === undefined ? feet.indexOf(block.job) : undefined}
                    chosen={block.task === chosen}
                    onChoose={onChoose}
                  />
                ))}
              </div>
            </Row>
          ))}
        </div>
        {fits < view.rows.length && (
          <button type="button" className="more-rows no-print" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Show the first rows only' : counted(view.rows.length - fits, 'more row')}
          </button>
        )}
        <Thread
          board={board}
          from={view.rows.flatMap((row) => row.blocks).find((block) => block.task === chosen)?.because ?? undefined}
          to={chosen}
        />
      </div>
    </DndContext>
  );
}

const ALL_ROWS = 'aftermist-board-all-rows';

/** Whether every row stands there: once asked for, or once work beyond the first was opened, until it is folded again. */
function useAllRows(needed: boolean): [boolean, (all: boolean) => void] {
  const [all, setAll] = useState(false);
  useEffect(() => {
    if (needed) window.sessionStorage.setItem(ALL_ROWS, 'yes');
    setAll(window.sessionStorage.getItem(ALL_ROWS) === 'yes');
  }, [needed]);
  const keep = (wanted: boolean): void => {
    if (wanted) window.sessionStorage.setItem(ALL_ROWS, 'yes');
    else window.sessionStorage.removeItem(ALL_ROWS);
    setAll(wanted);
  };
  return [all || needed, keep];
}

function Row({
  name,
  note,
  folded,
  children,
}: {
  name: string;
  note: string;
  folded: boolean;
  children: React.ReactNode;
}) {
  return (
    <>
      <div className={`row-name ${folded ? 'folded' : ''}`}>
        <span className="fw-bold">{name}</span>
        <br />
        <small>{note}</small>
      </div>
      {children}
    </>
  );
}

/** Midnights solid, noons dotted, today's morning in blue: once, behind all rows. */
function Lines({ view }: { view: BoardView }) {
  return (
    <div className="when-line lines" aria-hidden="true">
      {view.days.map((day, index) => (
        <span
          key={day.day}
          className={`grid-line ${day.worked ? '' : 'off'}`}
          style={{ gridColumn: `${2 * index + 1} / span 2` }}
        />
      ))}
      {view.days.map(
        (day, index) =>
          day.worked && <span key={day.day} className="grid-line noon" style={{ gridColumn: 2 * index + 2 }} />,
      )}
      {view.ends.map(({ slot, kind, job, late }) => (
        <span
          key={`${job}${kind}`}
          className={`grid-line end ${kind} ${late ? 'late' : ''}`}
          style={{ gridColumn: Math.min(slot, 2 * view.days.length - 1) + 1 }}
        />
      ))}
      {view.todaySlot !== null && <span className="grid-line today" style={{ gridColumn: view.todaySlot + 1 }} />}
    </div>
  );
}

/** The half-day a block would begin on after it was taken so far sideways: the cell under its left edge. */
function landing(board: HTMLElement | null, view: BoardView, block: BoardBlock, by: number): Moved | undefined {
  const piece = board?.querySelector(`[data-task="${CSS.escape(block.task)}"]`)?.getBoundingClientRect();
  const cells = [...(board?.querySelectorAll('.days .day') ?? [])].map((day) => day.getBoundingClientRect());
  if (!piece || cells.length === 0) return undefined;
  // A dragged piece is measured where it is shown, its way included.
  const left = piece.left + 2;
  const at = cells.findIndex(
    (cell, place) => left >= cell.left && (place === cells.length - 1 || left < (cells[place + 1]?.left ?? 0)),
  );
  const [cell, day] = [cells[at], view.days[at]];
  if (!cell || !day || by === 0) return undefined;
  const width = (cells[at + 1]?.left ?? cell.right) - cell.left;
  const half = left - cell.left >= width / 2 ? 1 : 0;
  return day.day === block.day && half === block.half ? undefined : { day: day.day, half };
}

/** Draws the thread back from the chosen block to the one it waits for, where both are on the board. */
function Thread({
  board,
  from,
  to,
}: {
  board: React.RefObject<HTMLDivElement | null>;
  from: string | undefined;
  to: string | undefined;
}) {
  const [path, setPath] = useState<string>();
  useLayoutEffect(() => {
    const draw = (): void => {
      const around = board.current?.getBoundingClientRect();
      const find = (task: string | undefined) =>
        task ? board.current?.querySelector(`[data-task="${CSS.escape(task)}"]`)?.getBoundingClientRect() : undefined;
      const [a, b] = [find(from), find(to)];
      if (!around || !a || !b) return setPath(undefined);
      const [x1, y1, x2, y2] = [
        a.right - around.left,
        a.top + a.height / 2 - around.top,
        b.left - around.left,
        b.top + b.height / 2 - around.top,
      ];
      setPath(`M${x1} ${y1}C${x1 + 26} ${y1} ${x2 - 26} ${y2} ${x2} ${y2}`);
    };
    draw();
    window.addEventListener('resize', draw);
    return () => window.removeEventListener('resize', draw);
  }, [board, from, to]);
  return path ? (
    <svg className="thread" aria-hidden="true">
      <path d={path} fill="none" stroke="currentColor" strokeWidth="2.5" />
    </svg>
  ) : null;
}
