import { routes } from '@/contract/routes';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { RoomView } from '@/contract/views/job';
import type { RequestView } from '@/contract/views/selections';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { orderWords, stateWords } from '@/core/selections/states';
import { PARTIES } from '@/core/selections/requests';
import { BRIEF_PARTS, briefText, choiceText, type BriefPart } from '@/core/scope/brief';
import { TRADES } from '@/core/sequence/trades';
import { formatDay, type Day } from '@/core/units/day';
import { HAIRLINES, rule, type PaperDocument } from './pdf';
import { measureWords } from '../views/scope';
import { requestViews } from '../views/requests';
import { areasUpward, phasesOf } from '../reading/job';
import { measuresIn } from '../reading/layouts';
import type { JobReading } from '../reading/reading';
import { roomView } from '../views/room';

/**
 * A sheet hangs on a wall: one page. `least` lines of a part are on it whatever else there is to say; what room is left
 * goes to the first part that has more. What goes beyond stands on the live page.
 */
interface Part {
  head: string;
  lines: readonly Content[];
  least: number;
  /** How much room a line takes, in lines of text. */
  each?: number;
}
/** Lines of text that a page holds under its head. */
const PAGE_LINES = 48;
/** What a heading takes of them, with its rule. */
const HEAD_LINES = 2.6;
/** States in which a thing is somewhere here, and may be looked for. */
const HERE: ReadonlySet<string> = new Set(['on site', 'checked', 'left over']);
/** What a hand with a tape asks for; the rest is for calculators. */
const TAPED: readonly Measure[] = ['height', 'floor', 'perimeter', 'wallsNet', 'width', 'faceNet', 'drainLength'];
const TICK =
  '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9" viewBox="0 0 9 9"><rect x="0.5" y="0.5" ' +
  'width="8" height="8" fill="none" stroke="#000000" stroke-width="0.8"/></svg>';
const LONGEST = 130;

const cut = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text);

/** How many lines of each part are shown. */
function sharedOut(parts: readonly Part[]): number[] {
  const shown = parts.map(({ lines, least }) => Math.min(lines.length, least));
  const taken = parts.map(({ each = 1 }, at) => HEAD_LINES + (shown[at] ?? 0) * each);
  let left = PAGE_LINES - taken.reduce((sum, lines) => sum + lines, 0);
  return parts.map(({ lines, each = 1 }, at) => {
    const now = shown[at] ?? 0;
    const more = Math.max(0, Math.min(lines.length - now, Math.floor(left / each)));
    left -= more * each;
    return now + more;
  });
}

function blocks(given: readonly Part[]): Content[] {
  const parts = given.filter(({ lines }) => lines.length > 0);
  const shown = sharedOut(parts);
  return parts.flatMap(({ head, lines }, at): Content[] => {
    const most = shown[at] ?? 0;
    const more = lines.length - most;
    return [
      { text: head, style: 'head' },
      rule(),
      ...lines.slice(0, most),
      ...(more > 0 ? [{ text: `and ${more} more on the live page`, style: 'note' } as Content] : []),
    ];
  });
}

const table = (widths: (number | string)[], rows: TableCell[][]): Content => ({
  table: { widths, body: rows },
  layout: HAIRLINES,
});

/** One room on one page: what is chosen with codes, measures, who comes in which order, cautions, open questions. */
function sheet(
  view: RoomView,
  requests: readonly RequestView[],
  measures: string[],
  live: string,
  at: number,
): Content[] {
  const { area, job, brief } = view;
  const day = (value: Day): string => formatDay(value, view.today);
  const chosen = view.selections.map((item) =>
    table(
      [120, '*', 92],
      [
        [
          { text: item.category, bold: true },
          {
            stack: [
              { text: cut(orderWords({ ...item, code: '' }) || 'not chosen yet') },
              ...(item.code ? [{ text: item.code, style: 'mono' }] : []),
              ...(item.found && item.found.verdict !== 'right' ? [{ text: cut(item.found.text), style: 'note' }] : []),
            ],
          },
          {
            text: item.keptAt && HERE.has(item.state) ? `${stateWords(item)}: ${item.keptAt}` : stateWords(item),
            style: 'note',
          },
        ],
      ],
    ),
  );
  const steps = view.steps
    .filter((step) => step.fraction < 1)
    .map((step) =>
      table(
        [14, 132, '*', 120],
        [
          [
            { svg: TICK, width: 9 },
            { text: step.label, bold: step.fraction > 0 },
            {
              text: step.crew || (step.trade === 'nobody' ? 'inspection, check or cure' : TRADES[step.trade]),
              style: 'note',
            },
            { text: step.held ? `waits, ${step.when}` : step.fraction > 0 ? 'under way' : step.when, style: 'note' },
          ],
        ],
      ),
    );
  const told = (part: BriefPart, least: number): Part => ({
    head: BRIEF_PARTS[part],
    lines: brief.parts[part].map((line): Content => ({
      text: `•  ${cut(line.note ? `${briefText(line)}, ${line.note}` : briefText(line))}`,
    })),
    least,
  });
  const questions: Content[] = [
    ...brief.choices.map(
      (choice) => `${choice.answer ? 'decided on site' : 'your call on site'}: ${choiceText(choice)}`,
    ),
    ...requests
      .filter((request) => request.standing !== 'answered')
      .map((request) => `${PARTIES[request.party]}: ${request.subject}, expected ${day(request.expected)}`),
    ...view.selections
      .filter((item) => item.state === 'open')
      .map((item) => `${item.category} ${item.decideBy ? `to be chosen by ${day(item.decideBy)}` : 'not chosen yet'}`),
    ...view.assumptions
      .filter((assumption) => assumption.state === 'open')
      .map((assumption) => `We assume that ${assumption.text}. If not: ${assumption.fallback}.`),
    ...view.open.map((entry) => `still to do: ${entry.text}`),
  ].map((text): Content => ({ text: `•  ${cut(text)}`, margin: [0, 1, 0, 1] }));
  return [
    {
      ...(at > 0 ? { pageBreak: 'before' as const } : {}),
      columns: [
        {
          stack: [
            { text: area.name, fontSize: 30, bold: true },
            { text: [job.name, area.level ?? 'outside', job.address].filter(Boolean).join(' · '), style: 'subtitle' },
            { text: `As of ${formatDay(view.today, '0000-00-00')}. Scan for what is known now.`, style: 'note' },
          ],
        },
        { qr: live, fit: 86, width: 92, eccLevel: 'M' },
      ],
    },
    ...blocks([
      {
        head: 'Careful',
        lines: view.remarks
          .filter((remark) => remark.kind === 'caution')
          .map((remark): Content => ({ text: `!  ${cut(remark.text)}`, bold: true, margin: [0, 1, 0, 1] })),
        least: 3,
      },
      told('live', 4),
      told('out', 5),
      told('protect', 2),
      told('refit', 2),
      told('work', 6),
      told('found', 2),
      { head: 'Chosen for this room', lines: chosen, least: 5, each: 2.2 },
      { head: 'Measures', lines: measures.map((text): Content => ({ text, style: 'mono' })), least: 3 },
      { head: 'Who comes, in this order', lines: steps, least: 6, each: 1.5 },
      { head: 'Open', lines: questions, least: 4, each: 1.5 },
    ]),
    {
      text: 'Structure, gas, electricity and dust: licensed people and the local code decide, not this sheet.',
      style: 'note',
      margin: [0, 10, 0, 0],
    },
  ];
}

/**
 * The sheets of some areas of a job, a page each.
 * @param origin where the live pages stand, as the crew's phones reach it
 */
export function roomSheets(job: JobReading, areas: readonly string[], origin: string): PaperDocument {
  const requests = requestViews(job);
  const views = areas.map((area) => roomView(job, area));
  const [first] = views;
  return {
    title: `${first?.job.name ?? ''}: room sheets`,
    plain: true,
    subtitle: '',
    foot: `${first?.job.name ?? ''}, room sheet of ${formatDay(job.firm.today, '0000-00-00')}`,
    content: views.flatMap((view, index) => {
      const measured = measureWords(measuresIn(job, view.area.id), view.job.units)
        .filter(({ measure }) => TAPED.includes(measure))
        .map(({ measure, value }) => `${value}  ${MEASURES[measure].label}`);
      const taken = view.remarks.filter((remark) => remark.kind === 'measurement').map((remark) => remark.text);
      const mine = requests.filter((request) =>
        request.waits.some(
          (wait) => wait.area === view.area.id || view.selections.some((item) => item.id === wait.selection),
        ),
      );
      return sheet(view, mine, [...taken, ...measured], `${origin}${routes.room(job.id, view.area.id)}`, index);
    }),
  };
}

/** Areas that have work, in walking order: each gets its sheet. */
export const sheetAreas = (job: JobReading): string[] =>
  areasUpward(job).flatMap(({ id }) => (phasesOf(job).has(id) ? [id] : []));
