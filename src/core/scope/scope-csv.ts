import { readCsv, writeCsv, type CsvProblem } from '../csv';
import { isTrade, TRADE_KEYS } from '../sequence/trades';
import { STANCE_KEYS, STANCES, type Inclusion } from '../sites/area';
import type { ScopeDraft } from './scope-line';

const COLUMNS = {
  area: true,
  stance: true,
  verb: true,
  subject: true,
  quantity: false,
  unit: false,
  trade: false,
  'depends on': false,
};
export const SCOPE_CSV_EXAMPLE =
  'area,stance,verb,subject,quantity,unit,trade,depends on\nLane face,conditional,strip,the ' +
  'boards,46,m²,roofing,overlay or strip\nSlate roof,out,repair,the slates,,,,\n';

const stanceOf = (text: string): Inclusion | undefined =>
  STANCE_KEYS.find((stance) => stance === text.toLowerCase() || STANCES[stance] === text.toLowerCase());

/** Reads lines of scope. @param named the job's areas by name in small letters */
export function readScopeCsv(
  text: string,
  named: ReadonlyMap<string, string>,
): { lines: (ScopeDraft & { area: string })[]; problems: CsvProblem[] } {
  const { rows, problems } = readCsv<ScopeDraft & { area: string }>(text, {
    columns: COLUMNS,
    read: (cells) => {
      const area = named.get((cells['area'] ?? '').toLowerCase());
      if (area === undefined)
        return { column: 'area', message: `there is no area “${cells['area'] ?? ''}” in this job.` };
      const stance = stanceOf(cells['stance'] ?? '');
      if (!stance)
        return { column: 'stance', message: `“${cells['stance'] ?? ''}” is none of: ${STANCE_KEYS.join(', ')}.` };
      const [verb = '', subject = ''] = [cells['verb'], cells['subject']];
      if (!verb || verb.length > 30)
        return { column: 'verb', message: verb ? 'a verb has at most 30 characters.' : 'what happens is missing.' };
      if (!subject || subject.length > 200)
        return { column: 'subject', message: subject ? 'at most 200 characters.' : 'to what is missing.' };
      const typed = cells['quantity'] ?? '';
      const quantity = typed === '' ? undefined : Number(typed.replace(',', '.'));
      if (quantity !== undefined && !(quantity > 0 && quantity <= 100_000))
        return { column: 'quantity', message: `“${typed}” is no quantity; a number over 0.` };
      if (quantity !== undefined && !cells['unit'])
        return { column: 'unit', message: 'a quantity needs its unit, like m, m² or pieces.' };
      const trade = (cells['trade'] ?? '').toLowerCase();
      if (trade !== '' && !isTrade(trade))
        return { column: 'trade', message: `“${trade}” is none of: ${TRADE_KEYS.join(', ')}.` };
      return {
        area,
        stance,
        verb,
        subject,
        dependsOn: (cells['depends on'] ?? '').slice(0, 200),
        ...(quantity === undefined ? {} : { quantity, unit: (cells['unit'] ?? '').slice(0, 20) }),
        ...(trade !== '' && isTrade(trade) ? { trade } : {}),
      };
    },
  });
  return { lines: rows, problems };
}

export const writeScopeCsv = (
  lines: readonly {
    area: string;
    stance: Inclusion;
    verb: string;
    subject: string;
    quantity: number | null;
    unit: string | null;
    trade: string | null;
    dependsOn: string;
  }[],
): string =>
  writeCsv(
    Object.keys(COLUMNS),
    lines.map((line) => [
      line.area,
      line.stance,
      line.verb,
      line.subject,
      line.quantity,
      line.unit,
      line.trade,
      line.dependsOn,
    ]),
  );
