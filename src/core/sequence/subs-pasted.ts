import { TRADE_KEYS, TRADES, type Trade } from './trades';

/** A sub as somebody has it in a list: all but the trade may be missing. */
export interface SubPasted {
  trade: Trade;
  name: string;
  leadName: string;
  phone: string;
  email: string;
  crews: number;
}

const TELEPHONE = /^[+(]?[\d][\d\s()/.-]{4,}$/;

/** The trade that a cell names: by its name, or by what its name begins with. */
function tradeNamed(cell: string): Trade | undefined {
  const said = cell.trim().toLowerCase();
  if (said.length < 3) return undefined;
  const of = (trade: Trade): string => TRADES[trade].toLowerCase();
  return (
    TRADE_KEYS.find((trade) => trade !== 'nobody' && of(trade) === said) ??
    TRADE_KEYS.find((trade) => trade !== 'nobody' && (of(trade).startsWith(said) || said.startsWith(of(trade))))
  );
}

/**
 * Subs of a list as people keep it: one a line, cells parted by tabs, semicolons or commas, in any order. What a cell is, is
 * told by what stands in it: a trade, an e-mail, a telephone number, a number of crews; of the rest the first is the firm's
 * name, the second whom to call.
 * @returns `unread`: lines that name no trade
 */
export function subsPasted(text: string): { subs: SubPasted[]; unread: string[] } {
  const subs: SubPasted[] = [];
  const unread: string[] = [];
  for (const line of text.split(/\r?\n/).filter((one) => one.trim() !== '')) {
    const cells = line.split(/[\t;,]/).map((cell) => cell.trim());
    const at = cells.findIndex((cell) => tradeNamed(cell) !== undefined);
    const trade = tradeNamed(cells[at] ?? '');
    if (!trade) {
      unread.push(line.trim());
      continue;
    }
    const rest = cells.filter((cell, place) => place !== at && cell !== '');
    const email = rest.find((cell) => cell.includes('@')) ?? '';
    const crews = rest.find((cell) => /^\d{1,2}$/.test(cell));
    const phone = rest.find((cell) => cell !== crews && TELEPHONE.test(cell)) ?? '';
    const [name = '', leadName = ''] = rest.filter((cell) => cell !== email && cell !== crews && cell !== phone);
    subs.push({ trade, name, leadName, phone, email, crews: Math.min(50, Math.max(1, Number(crews ?? 1))) });
  }
  return { subs, unread };
}
