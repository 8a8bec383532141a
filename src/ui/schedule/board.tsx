'use client';
import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useLayoutEffect, useRef, useState, type CSSProperties } from 'react';
import type { BoardBlock, BoardView } from '@/contract/views/plan';
import { formatDate } from '@/core/units/day';
import { StateIcon } from '../kit/state-icon';
import type { Moved } from './move-form';
import { soft } from './soft-words';
import { Hidden } from '../kit/hidden';

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
/** From so many weeks on only Mondays are named. */
const WIDE = 42;
/** Half-days of a block from which its words are written there. */
const WORDS_FROM = 7;

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
  const [mark, setMark] = useState<string>();
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
        {view.marks.length > 0 && (
          <>
            <div className="small-text soft">waits and deliveries</div>
            <Marks view={view} open={mark} onOpen={setMark} />
          </>
        )}
        <div className="days" />
        <div className="days when-line">
          {view.days.map((day, index) => (
            <div
              key={day.day}
              className={`day ${day.worked ? '' : 'off'} ${day.day === view.today ? 'now' : ''}`}
              style={{ gridColumn: `${2 * index + 1} / span 2`, gridRow: 1 }}
            >
              {!wide ? day.label : index % 7 === 0 ? formatDate(day.day) : ''}
            </div>
          ))}
        </div>
        {view.weather.length > 0 && (
          <>
            <div className="row-name small-text soft">outlook</div>
            <Weather view={view} />
          </>
        )}
        <div className="rows">
          <Lines view={view} />
          {view.rows.map((row) => (
            <Row key={row.id} name={row.name} note={row.note}>
              <div
                className="when-line track"
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
                    wide={wide}
                    elsewhere={job !== undefined && block.jobId !== job}
                    named={job === undefined}
                    chosen={block.task === chosen}
                    onChoose={onChoose}
                  />
                ))}
              </div>
            </Row>
          ))}
        </div>
        <Thread
          board={board}
          from={view.rows.flatMap((row) => row.blocks).find((block) => block.task === chosen)?.because ?? undefined}
          to={chosen}
        />
      </div>
    </DndContext>
  );
}

function Row({ name, note, children }: { name: string; note: string; children: React.ReactNode }) {
  return (
    <>
      <div className="row-name">
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

/** Rain, wind and frost of the days ahead, where they are in the outlook. */
function Weather({ view }: { view: BoardView }) {
  return (
    <div className="when-line weather">
      {view.days.map((day, index) => {
        const [am, pm] = [
          view.weather.find((entry) => entry.slot === 2 * index),
          view.weather.find((entry) => entry.slot === 2 * index + 1),
        ];
        if (!am && !pm) return null;
        const words = [am && `morning ${am.text}`, pm && `afternoon ${pm.text}`].filter(Boolean).join('; ');
        return (
          <div
            key={day.day}
            className="day-weather"
            style={{ gridColumn: `${2 * index + 1} / span 2` }}
            title={`${day.label}: ${words}`}
          >
            <Hidden>
              {day.label}: {words}
            </Hidden>
            {[am, pm].map((entry, half) => (
              <span key={half} aria-hidden="true" className={entry?.forbids ? 'wet' : 'fair'} />
            ))}
          </div>
        );
      })}
    </div>
  );
}

/** All that a block says, for whoever hears it. */
function heard(block: BoardBlock, withJob: boolean): string {
  const { visit, pin } = block;
  const said = visit && (visit.said === 'confirmed' ? 'they said yes' : 'not confirmed');
  return `${[
    `${withJob ? `${block.job}, ` : ''}${block.label}, ${block.when}`,
    ...(block.tone === 'held' ? ['held'] : []),
    ...(pin ? [`pinned: ${pin}`] : []),
    ...(said ? [said] : []),
  ].join(', ')}. Why here?`;
}

/** How it is drawn for what it is. */
const looksOf = (block: BoardBlock, elsewhere: boolean) => [
  elsewhere ? 'of-others' : block.tone,
  block.movable && 'movable',
  block.pin && 'pinned',
  isUnsaid(block) && 'unsaid',
];

/** Whether nobody has said yes to its day yet. */
const isUnsaid = ({ visit }: BoardBlock): boolean => visit !== null && visit.said !== 'confirmed';

function Piece({
  block,
  wide,
  elsewhere,
  named,
  chosen,
  onChoose,
}: {
  block: BoardBlock;
  wide: boolean;
  elsewhere: boolean;
  named: boolean;
  chosen: boolean;
  onChoose: Terms['onChoose'];
}) {
  // Half a day is as wide as a word: where, without what, which the row says.
  const short = block.finish - block.start === 1;
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: block.task,
    data: block,
    disabled: !block.movable || block.cutLeft,
  });
  // On a board of many weeks only a long block has room for words; the slip and the tooltip have them all.
  const wordless = wide && block.finish - block.start < WORDS_FROM;
  const look = [...looksOf(block, elsewhere), short && 'short', chosen && 'chosen', isDragging && 'dragged'].filter(
    Boolean,
  );
  return (
    <>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        data-task={block.task}
        title={`${block.label}, ${block.when}`}
        className={`piece ${look.join(' ')}`}
        style={{
          gridColumn: `${block.start + 1} / ${block.finish + 1}`,
          gridRow: block.lane + 1,
          ...(transform ? { transform: `translateX(${transform.x}px)` } : {}),
        }}
        onClick={() => onChoose(block.task)}
      >
        {!wordless && (
          <span className="words" aria-hidden="true">
            {!short && block.tone === 'held' && <StateIcon kind="stop" silent />}
            {named && <span className="of-job">{block.job.split(' ')[0]} </span>}
            {soft(elsewhere ? `at ${block.job}` : short ? block.place || block.short : block.label)}
          </span>
        )}
        <Hidden>{heard(block, named || elsewhere)}</Hidden>
      </button>
      {block.float > 0 && !elsewhere && (
        <span
          aria-hidden="true"
          className="float"
          style={{ gridColumn: `${block.finish + 1} / span ${block.float}`, gridRow: block.lane + 1 }}
        />
      )}
    </>
  );
}

/** Waits and deliveries over the days they fall on; those of one day under one mark. */
function Marks({
  view,
  open,
  onOpen,
}: {
  view: BoardView;
  open: string | undefined;
  onOpen: (key: string | undefined) => void;
}) {
  const slots = [...new Set(view.marks.map((mark) => mark.slot))];
  const words = view.marks.filter((mark) => String(mark.slot) === open);
  return (
    <div>
      <div className="when-line marks">
        {slots.map((slot) => {
          const here = view.marks.filter((mark) => mark.slot === slot);
          return (
            <button
              key={slot}
              type="button"
              style={{ gridColumn: `${slot + 1} / span 2` }}
              aria-expanded={String(slot) === open}
              aria-label={here.map((mark) => mark.text).join('; ')}
              title={here.map((mark) => mark.text).join('\n')}
              onClick={() => onOpen(String(slot) === open ? undefined : String(slot))}
            >
              <StateIcon kind={here.some((mark) => mark.tone === 'hold') ? 'waiting' : 'under-way'} silent />
            </button>
          );
        })}
      </div>
      {words.length > 0 && (
        <ul className="small-text mb-1">
          {words.map((mark) => (
            <li key={mark.text}>{mark.text}</li>
          ))}
        </ul>
      )}
    </div>
  );
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
