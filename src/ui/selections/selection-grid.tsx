'use client';
import { api, routes } from '@/contract/routes';
import { flexRender, getCoreRowModel, getFilteredRowModel, useReactTable, type ColumnDef } from '@tanstack/react-table';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { changeSelection, expectSelection } from '@/contract/commands/selections';
import type { SelectionView } from '@/contract/views/selections';
import { eitherOf, plainSigns, readNumber } from '@/core/units/number';
import { leadWords } from '@/core/selections/lead-words';
import { followsWords, isComing, stateWords } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import { StateIcon } from '../kit/state-icon';
import { useToast } from '../kit/toast';
import { send } from '../offline/send';
import { dueTone, dueWords } from './due-words';
import { factsOf } from './facts';
import { spanOf, WhenBar } from './when-bar';
import type { Row } from '@tanstack/react-table';

interface Terms {
  groups: [string, SelectionView[]][];
  asked: string;
  today: Day;
  job: string;
  suppliers: readonly string[];
}

/** A cell that is changed where it stands: how it is written, and what is read from what was typed. */
interface Editable {
  text: (item: SelectionView) => string;
  /** The changed facts, or what is wrong with what was typed. */
  read: (typed: string, item: SelectionView) => Partial<ReturnType<typeof factsOf>> | { problem: string };
  type?: 'date';
  /** Not changed for this one. */
  fixed?: (item: SelectionView) => boolean;
}

const plain = (key: 'choice' | 'code' | 'supplier' | 'note'): Editable => ({
  text: (item) => item[key],
  read: (typed) => ({ [key]: typed.trim() }),
});

const EDITABLE: Record<string, Editable> = {
  choice: plain('choice'),
  code: plain('code'),
  supplier: plain('supplier'),
  quantity: {
    text: (item) => (item.quantity === null ? '' : `${item.quantity} ${item.unit}`),
    fixed: (item) => item.calculation !== null,
    read: (typed) => {
      if (typed.trim() === '') return { quantity: undefined, unit: '' };
      const found = /^\s*(\d[\d.,’' ]*?)\s*(\p{L}.*)?$/u.exec(typed);
      const read = readNumber(plainSigns(found?.[1] ?? ''));
      if (read && 'ambiguous' in read) return { problem: eitherOf(found?.[1] ?? '', read.ambiguous) };
      return read && read.value > 0 && found?.[2]?.trim()
        ? { quantity: read.value, unit: found[2].trim() }
        : { problem: 'A number with its unit, like 24 pieces.' };
    },
  },
  lead: {
    text: (item) => (item.leadLow === item.leadHigh ? String(item.leadHigh) : `${item.leadLow}-${item.leadHigh}`),
    read: (typed) => {
      const found = /^\s*(\d{1,3})(?:\s*(?:-|–|to)\s*(\d{1,3}))?\s*(?:days)?\s*$/.exec(typed);
      if (!found) return { problem: 'Days as a range, like 10-14.' };
      const [low, high] = [Number(found[1]), Number(found[2] ?? found[1])];
      return low <= high
        ? { leadLow: low, leadHigh: high }
        : { problem: `The range is the wrong way round: ${low} to ${high} days.` };
    },
  },
  next: {
    type: 'date',
    text: (item) => item.expectedOn ?? '',
    fixed: (item) => !isComing(item.state),
    read: () => ({}),
  },
};

const HEADS = {
  what: 'What',
  where: 'Where',
  choice: 'Chosen',
  code: 'Code',
  quantity: 'How many',
  supplier: 'From whom',
  lead: 'Takes',
  next: 'Next',
  when: 'When',
  state: 'State',
} as const;
const WIDTHS: Record<keyof typeof HEADS, string> = {
  what: '15%',
  where: '9%',
  choice: '12%',
  code: '7%',
  quantity: '7%',
  supplier: '9%',
  lead: '7%',
  next: '11%',
  when: '16%',
  state: '7%',
};

function columnsFor(today: Day, job: string, span: ReturnType<typeof spanOf>): ColumnDef<SelectionView>[] {
  const show: Record<keyof typeof HEADS, (item: SelectionView) => React.ReactNode> = {
    what: (item) => (
      <>
        {item.picture && (
          <img className="thumb-of" src={api.picture(item.picture, 240)} alt="" width={40} height={30} loading="lazy" />
        )}
        <Link href={routes.selection(job, item.id)} className="fw-bold">
          {item.category}
        </Link>
        {item.follows && <span className="soft small-text"> {followsWords(item.follows.as, item.state)}</span>}
        {item.found && item.found.verdict !== 'right' && (
          <div className="small-text bad">
            <StateIcon kind="stop" silent /> {item.found.text}
          </div>
        )}
        {item.waitsFor.map((wait) => (
          <div key={wait.id} className="small-text soon">
            <StateIcon kind="waiting" silent /> waits for {wait.party}
          </div>
        ))}
      </>
    ),
    where: (item) => (
      <>
        <Link href={routes.room(job, item.areaId)}>{item.area}</Link>
        <div className="small-text soft">{item.returnTrip ? 'return trip' : item.step}</div>
      </>
    ),
    choice: (item) => item.choice || <span className="soft">not chosen</span>,
    code: (item) => <span className="mono">{item.code}</span>,
    quantity: (item) =>
      item.quantity === null ? (
        ''
      ) : (
        <>
          <span className="mono">{item.quantity}</span> {item.unit}
        </>
      ),
    supplier: (item) => item.supplier,
    lead: (item) => leadWords(item.leadLow, item.leadHigh),
    next: (item) => (
      <span className={dueTone(item.due)}>
        {item.due.what !== 'settled' && (
          <StateIcon kind={item.due.late ? 'late' : item.due.what === 'arrive' ? 'delivery' : 'open'} silent />
        )}{' '}
        {dueWords(item.due, today)}
        {item.due.late && item.there && item.there.after > 0 && (
          <span className="small-text d-block">
            {item.there.after} {item.there.after === 1 ? 'day' : 'days'} late
          </span>
        )}
      </span>
    ),
    when: (item) => <WhenBar item={item} today={today} span={span} />,
    state: (item) => (
      <span className={item.found && item.found.verdict !== 'right' ? 'bad' : ''}>{stateWords(item)}</span>
    ),
  };
  return (Object.keys(HEADS) as (keyof typeof HEADS)[]).map((id) => ({
    id,
    header: HEADS[id],
    cell: ({ row }) => show[id](row.original),
    accessorFn: (item) =>
      ({
        what: item.category,
        where: item.area,
        choice: item.choice,
        code: item.code,
        quantity: '',
        supplier: item.supplier,
        lead: '',
        next: '',
        when: '',
        state: stateWords(item),
      })[id],
  }));
}

/**
 * The table: arrows go from cell to cell, Enter or a letter changes the one in hand, Enter keeps it and goes down, Tab
 * keeps it and goes on, Escape leaves it as it was.
 */
export function SelectionGrid({ groups, asked, today, job, suppliers }: Terms) {
  const data = useMemo(() => groups.flatMap(([, items]) => items), [groups]);
  const columns = useMemo(() => columnsFor(today, job, spanOf(data, today)), [today, job, data]);

  const table = useReactTable({
    data,
    columns,
    state: { globalFilter: asked },
    globalFilterFn: 'includesString',
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getRowId: (item) => item.id,
  });
  const rows = table.getRowModel().rows;
  const shown = new Map(rows.map((row) => [row.id, row]));
  const order = rows.map((row) => row.id);
  const [at, setAt] = useState<{ row: string; column: string }>();
  const [editing, setEditing] = useState<string>();
  const grid = useRef<HTMLTableElement>(null);
  const columnIds = columns.map((column) => column.id ?? '');
  const focused = at && order.includes(at.row) ? at : { row: order[0] ?? '', column: 'choice' };

  const go = (row: string, column: string): void => {
    const reach = (): void =>
      grid.current?.querySelector<HTMLElement>(`[data-cell="${CSS.escape(`${row}:${column}`)}"]`)?.focus();
    setEditing(undefined);
    setAt({ row, column });
    // A cell that was just an input can be reached once it is drawn again; any other at once, so that no key is lost.
    if (editing) requestAnimationFrame(reach);
    else reach();
  };
  const step = (row: string, column: string, down: number, right: number): void => {
    const [y, x] = [order.indexOf(row) + down, columnIds.indexOf(column) + right];
    go(
      order[Math.max(0, Math.min(y, order.length - 1))] ?? row,
      columnIds[Math.max(0, Math.min(x, columnIds.length - 1))] ?? column,
    );
  };
  const onKey = (event: KeyboardEvent<HTMLElement>, item: SelectionView, column: string): void => {
    if (event.target !== event.currentTarget) return;
    const moves: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      step(item.id, column, ...move);
    } else if (event.key === 'Enter' && (column === 'what' || column === 'where'))
      event.currentTarget.querySelector('a')?.click();
    else if (
      (event.key === 'Enter' ||
        event.key === 'F2' ||
        (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && event.key !== ' ')) &&
      mayEdit(item, column)
    ) {
      // Let a letter that begins the change land in the field.
      if (event.key === 'Enter' || event.key === 'F2') event.preventDefault();
      setAt({ row: item.id, column });
      setEditing(`${item.id}:${column}`);
    }
  };
  if (rows.length === 0) return <p className="soft mt-3">None is called “{asked}”, or none is like that.</p>;
  return (
    <table ref={grid} role="grid" className="table-lines selection-grid" aria-label="Selections">
      <thead>
        <tr>
          {columnIds.map((id) => (
            <th key={id} style={{ width: WIDTHS[id as keyof typeof WIDTHS] }} scope="col">
              {HEADS[id as keyof typeof HEADS]}
            </th>
          ))}
        </tr>
      </thead>
      {groups.map(([name, items]) => {
        const here = items.flatMap((item) => shown.get(item.id) ?? []);
        return (
          here.length > 0 && (
            <GridRows
              key={name}
              name={name}
              columnIds={columnIds}
              here={here}
              focused={focused}
              setAt={setAt}
              onKey={onKey}
              setEditing={setEditing}
              editing={editing}
              suppliers={suppliers}
              step={step}
              go={go}
            />
          )
        );
      })}
    </table>
  );
}

/** The rows of the grid. */
function GridRows({
  name,
  columnIds,
  here,
  focused,
  setAt,
  onKey,
  setEditing,
  editing,
  suppliers,
  step,
  go,
}: {
  name: string;
  columnIds: string[];
  here: Row<SelectionView>[];
  focused: { row: string; column: string };
  setAt: (next: { row: string; column: string } | undefined) => void;
  onKey: (event: KeyboardEvent<HTMLElement>, item: SelectionView, column: string) => void;
  setEditing: (next: string | undefined) => void;
  editing: string | undefined;
  suppliers: readonly string[];
  step: (row: string, column: string, down: number, right: number) => void;
  go: (row: string, column: string) => void;
}) {
  return (
    <tbody>
      <tr className="group">
        <th colSpan={columnIds.length} scope="colgroup" className="group-head">
          {name} <span className="soft">{here.length}</span>
        </th>
      </tr>
      {here.map((row) => (
        <tr key={row.id}>
          {row.getVisibleCells().map((cell) => {
            const column = cell.column.id;
            const key = `${row.id}:${column}`;
            const edit = mayEdit(row.original, column);
            return (
              <td
                key={cell.id}
                role="gridcell"
                data-cell={key}
                data-label={`${HEADS[column as keyof typeof HEADS]}:`}
                tabIndex={focused.row === row.id && focused.column === column ? 0 : -1}
                className={`${edit ? 'may-edit' : ''} cell-${column}`}
                aria-readonly={!edit}
                onFocus={(event) => event.target === event.currentTarget && setAt({ row: row.id, column })}
                onKeyDown={(event) => onKey(event, row.original, column)}
                onDoubleClick={() => edit && setEditing(key)}
              >
                {editing === key ? (
                  <CellEditor
                    item={row.original}
                    column={column}
                    suppliers={suppliers}
                    onLeave={(move) => (move ? step(row.id, column, ...move) : go(row.id, column))}
                  />
                ) : (
                  flexRender(cell.column.columnDef.cell, cell.getContext())
                )}
              </td>
            );
          })}
        </tr>
      ))}
    </tbody>
  );
}

const mayEdit = (item: SelectionView, column: string): boolean =>
  column in EDITABLE && EDITABLE[column]?.fixed?.(item) !== true;

function CellEditor({
  item,
  column,
  suppliers,
  onLeave,
}: {
  item: SelectionView;
  column: string;
  suppliers: readonly string[];
  onLeave: (move?: [number, number]) => void;
}) {
  const editable = EDITABLE[column];
  const say = useToast();
  const router = useRouter();
  const [text, setText] = useState(editable?.text(item) ?? '');
  const [told, setTold] = useState<{ text: string; ask?: boolean }>();
  const keep = async (move: [number, number] | undefined, codeMeant = false): Promise<void> => {
    if (!editable || text === editable.text(item)) return onLeave(move);
    const read = editable.read(text, item);
    if ('problem' in read) return setTold({ text: read.problem });
    const sent =
      editable.type === 'date'
        ? await send(expectSelection, { id: item.id, version: item.version, expectedOn: text, note: '' })
        : await send(changeSelection, { ...factsOf(item), ...read, codeMeant });
    if (!sent.ok) return setTold({ text: sent.problem.title, ask: sent.problem.code === 'code-unlike' });
    say({ text: `${item.category}: kept.` });
    router.refresh();
    onLeave(move);
  };
  return (
    <span className="cell-editor">
      <input
        autoFocus
        type={editable?.type ?? 'text'}
        className="form-control form-control-sm"
        aria-label={`${HEADS[column as keyof typeof HEADS]} of ${item.category}, ${item.area}`}
        aria-invalid={told !== undefined}
        value={text}
        {...(column === 'supplier' ? { list: 'known-suppliers' } : {})}
        onChange={(event) => {
          setText(event.target.value);
          setTold(undefined);
        }}
        onFocus={(event) => editable?.type !== 'date' && event.target.select()}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            event.preventDefault();
            onLeave();
          }
          if (event.key === 'Enter') {
            event.preventDefault();
            void keep([1, 0]);
          }
          if (event.key === 'Tab') {
            event.preventDefault();
            void keep([0, event.shiftKey ? -1 : 1]);
          }
        }}
      />
      {column === 'supplier' && (
        <datalist id="known-suppliers">
          {suppliers.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
      {told && (
        <span className="small-text bad d-block" role="alert">
          {told.text}{' '}
          {told.ask && (
            <button type="button" className="btn btn-link btn-sm p-0" onClick={() => void keep(undefined, true)}>
              It is meant
            </button>
          )}
        </span>
      )}
    </span>
  );
}
