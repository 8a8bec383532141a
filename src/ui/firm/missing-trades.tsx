'use client';
import { useState, type ClipboardEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { ValidationError } from 'yup';
import { addSub } from '@/contract/commands/firm';
import { subsPasted, type SubPasted } from '@/core/sequence/subs-pasted';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { counted } from '@/core/words/count';
import { capital } from '@/core/words/letters';
import { Hidden } from '../kit/hidden';
import { Notice } from '../kit/notice';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

const EMPTY = { name: '', leadName: '', phone: '', email: '', crews: '1' };
type Row = typeof EMPTY;
const COLUMNS = {
  name: 'Firm',
  leadName: 'Whom to call',
  phone: 'Telephone',
  email: 'E-mail',
  crews: 'Crews',
} as const;
const COLUMN_KEYS = Object.keys(COLUMNS) as (keyof Row)[];

const rowOf = ({ name, leadName, phone, email, crews }: SubPasted): Row => ({
  ...{ name, leadName, phone, email },
  crews: String(crews),
});

const subOf = (trade: Trade, { crews, ...row }: Row) => ({
  id: newId(),
  trade,
  also: [],
  ...row,
  crews: Number(crews),
});

/** What is wrong with a row, by field, as the house would say it; nothing where it can be kept. */
function problemsOf(trade: Trade, row: Row): Partial<Record<string, string>> {
  try {
    addSub.schema.validateSync(subOf(trade, row), { abortEarly: false });
    return {};
  } catch (problem) {
    if (!(problem instanceof ValidationError)) throw problem;
    return Object.fromEntries(problem.inner.map(({ path, message }) => [path ?? '', capital(message)]));
  }
}

const isFilled = (row: Row): boolean => row.name !== '' || row.phone !== '' || row.email !== '' || row.leadName !== '';

/** All trades that open jobs need and nobody does, in one table; a list that people have can be pasted into it. */
export function MissingTrades({ trades }: { trades: readonly Trade[] }) {
  const { busy, give } = useSend();
  const [rows, setRows] = useState<Partial<Record<Trade, Row>>>({});
  const [tried, setTried] = useState(false);
  const [unread, setUnread] = useState<readonly string[]>([]);
  if (trades.length === 0) return null;
  const row = (trade: Trade): Row => rows[trade] ?? EMPTY;
  const filled = trades.filter((trade) => isFilled(row(trade)));
  const wrong = filled.some((trade) => Object.keys(problemsOf(trade, row(trade))).length > 0);
  const paste = (event: ClipboardEvent<HTMLElement>): void => {
    const text = event.clipboardData.getData('text');
    // One word is pasted where the pointer stands; a list fills the table.
    if (!/[\n\t;]/.test(text.trim())) return;
    event.preventDefault();
    const read = subsPasted(text);
    setRows({ ...rows, ...Object.fromEntries(read.subs.map((sub) => [sub.trade, rowOf(sub)])) });
    setUnread(read.unread);
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (wrong) return;
    for (const trade of filled) {
      if (!(await give(addSub, subOf(trade, row(trade))))) return;
      setRows((before) => ({ ...before, [trade]: EMPTY }));
    }
    setTried(false);
  };
  return (
    <section id="trades" className="missing-trades" onPaste={paste}>
      <h2>Nobody does these trades</h2>
      <p className="soft">
        Open jobs need them; until somebody does, that work is planned for one crew of your own. Fill in what you know,
        or copy the rows of a list you have and paste them here: trade, firm, telephone, e-mail, in any order.
      </p>
      <table className="table-lines">
        <thead>
          <tr>
            <th>Trade</th>
            {COLUMN_KEYS.map((key) => (
              <th key={key} style={key === 'crews' ? { width: '5rem' } : {}}>
                {COLUMNS[key]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {trades.map((trade) => {
            const problems = tried && isFilled(row(trade)) ? problemsOf(trade, row(trade)) : {};
            return (
              <tr key={trade}>
                <td className="fw-bold">{TRADES[trade]}</td>
                {COLUMN_KEYS.map((key) => (
                  <td key={key} data-label={`${COLUMNS[key]}:`}>
                    <Form.Control
                      size="sm"
                      name={`${trade}.${key}`}
                      inputMode={
                        key === 'phone' ? 'tel' : key === 'email' ? 'email' : key === 'crews' ? 'numeric' : 'text'
                      }
                      aria-label={`${TRADES[trade]}, ${COLUMNS[key]}`}
                      value={row(trade)[key]}
                      isInvalid={problems[key] !== undefined}
                      onChange={({ target }) => setRows({ ...rows, [trade]: { ...row(trade), [key]: target.value } })}
                    />
                    {problems[key] && <div className="invalid-feedback d-block">{problems[key]}</div>}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      {unread.length > 0 && (
        <Notice bad>
          No trade was found in: {unread.slice(0, 5).join(' · ')}. Write the trade as it is called here, and paste
          again.
        </Notice>
      )}
      <Button className="mt-2" disabled={busy || filled.length === 0} onClick={() => void save()}>
        Save {filled.length > 0 ? counted(filled.length, 'sub') : 'subs'}
        <Hidden> of the missing trades</Hidden>
      </Button>
    </section>
  );
}
