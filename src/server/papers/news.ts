import { writerOf } from '../reading/firm';
import type { Reader } from '@/contract/commands/news';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { CrewShared } from '@/contract/views/news';
import type { ShownPart } from '@/core/news/own-words';
import { groupBy } from '@/core/group-by';
import { briefText, BRIEF_PART_KEYS, BRIEF_PARTS } from '@/core/scope/brief';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { sayWork } from '@/core/words/work';
import { nextWork } from '../plan/effect';
import { jobRow } from '../reading/job';
import { planOf } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { HAIRLINES, rule, type PaperDocument } from './pdf';

/** Pictures of a tour, as they are set: the same spot before and now, or now alone. */
export interface PaperPicture {
  caption: string;
  /** JPEG files. */
  images: Buffer[];
}

/** Of what it is, who writes, under which number, and the day, at the foot of every page. */
function footOf(job: JobReading, of = jobRow(job).name): string {
  const { firm, name, phone } = writerOf(job.firm);
  return [of, firm, [name, phone].filter(Boolean).join(' '), formatDay(job.firm.today, '0000-00-00')]
    .filter(Boolean)
    .join(' · ');
}

const told = (parts: readonly ShownPart[]): { heading: string; lines: string[] }[] =>
  parts.flatMap(({ heading, lines }) => {
    const texts = lines.map(({ text }) => text).filter((text) => text !== '');
    return texts.length > 0 ? [{ heading, lines: texts }] : [];
  });

/** A letter as it stands, with its pictures, on paper. */
export function newsPaper(
  job: JobReading,
  { title, parts }: { title: string; parts: readonly ShownPart[] },
  reader: Reader,
  pictures: readonly PaperPicture[] = [],
): PaperDocument {
  const { address } = jobRow(job);
  return {
    title,
    subtitle: [address, formatDay(job.firm.today, '0000-00-00')].filter(Boolean).join(' · '),
    // How a job is called is nothing to a neighbour.
    foot: footOf(job, reader === 'neighbour' ? address : undefined),
    content: [
      ...told(parts).flatMap(({ heading, lines }): Content[] =>
        heading === ''
          ? [{ text: lines.join(' '), margin: [0, 4, 0, 4] }]
          : [{ text: heading, style: 'head' }, rule(), { ul: [...lines] }],
      ),
      ...(pictures.length > 0 ? [{ text: 'Through the house', style: 'head' }, rule(), ...pictures.map(picture)] : []),
    ],
  };
}

const picture = ({ caption, images }: PaperPicture): Content => ({
  unbreakable: true,
  margin: [0, 4, 0, 8],
  stack: [
    { text: caption, margin: [0, 0, 0, 3] },
    {
      columns: images.map((image) => ({ image: `data:image/jpeg;base64,${image.toString('base64')}`, width: 244 })),
      columnGap: 10,
    },
  ],
});

/** The same as plain text with marks, for whoever puts it elsewhere. */
export const newsMarkdown = ({ title, parts }: { title: string; parts: readonly ShownPart[] }): string =>
  [
    `# ${escaped(title)}`,
    ...told(parts).map(({ heading, lines }) =>
      heading === ''
        ? lines.map(escaped).join(' ')
        : [`## ${escaped(heading)}`, '', ...lines.map((line) => `- ${escaped(line)}`)].join('\n'),
    ),
    '',
  ].join('\n\n');

/** What somebody typed is words, never marks. */
const escaped = (text: string): string => text.replace(/([\\`*_{}[\]<>#|])/g, '\\$1').replace(/\n/g, '  \n');

const LOOK_AHEAD_DAYS = 21;

/** Who is where on which half-day of the next three weeks. */
export function lookAheadPaper(job: JobReading): PaperDocument {
  const { today } = job.firm;
  const plan = planOf(job);
  const next = plan ? nextWork(plan, new Set([job.id]), today, LOOK_AHEAD_DAYS) : [];
  const last = addDays(today, LOOK_AHEAD_DAYS - 1);
  return {
    title: `${jobRow(job).name}: three weeks ahead`,
    subtitle: `${formatDay(today, '0000-00-00')} to ${formatDay(last, '0000-00-00')}, by the plan of today`,
    foot: footOf(job),
    content:
      next.length === 0
        ? [{ text: 'Nothing is planned here for the next three weeks.' }]
        : [...groupBy(next, ({ day }) => day)].map(([day, works]) => ({
            unbreakable: works.length < 20,
            stack: [
              { text: formatDay(day, today), style: 'head' },
              rule(),
              {
                table: {
                  widths: [120, '*', 110],
                  body: works.map((work): TableCell[] => [
                    { text: work.crew },
                    { text: sayWork(work.work) },
                    {
                      text: `${work.afternoon ? 'from noon' : 'from the morning'}${untilWords(work, today)}`,
                      style: 'note',
                    },
                  ]),
                },
                layout: HAIRLINES,
              },
            ],
          })),
  };
}

const untilWords = ({ day, until }: { day: Day; until: Day }, today: Day): string =>
  until > day ? ` to ${formatDay(until, today)}` : '';

/** What one sub comes for: when, what has to be ready and is left ready, what is agreed, what to mind. */
export function workOrderPaper(job: JobReading, view: CrewShared): PaperDocument {
  const leaves = new Map(
    view.days.flatMap(({ works }) => works.map(({ what, leaves: after }) => [what, after] as const)),
  );
  return {
    title: `Work order: ${view.title}`,
    subtitle: `by ${view.firm} · ${formatDay(view.today, '0000-00-00')}`,
    foot: footOf(job),
    content: [
      ...points(
        'Take care',
        view.cautions.map(({ area, text }) => `${area}: ${text}`),
      ),
      ...view.visits.map((visit): Content => ({
        unbreakable: true,
        stack: [
          { text: `${visit.when} (${visit.long})`, style: 'head' },
          rule(),
          { text: [visit.job, visit.address].filter(Boolean).join(', '), style: 'note' },
          { ul: visit.works.map((work) => workWords(work, leaves.get(work) ?? [])) },
          ...(visit.ready.length > 0
            ? [{ text: `Ready before you come: ${visit.ready.join(', ')}`, style: 'note' }]
            : []),
          ...(visit.leaves.length > 0 ? [{ text: `Leave ready for: ${visit.leaves.join(', ')}`, style: 'note' }] : []),
          ...(visit.gettingIn ? [{ text: `Getting in: ${visit.gettingIn}`, style: 'note' }] : []),
          ...(visit.words ? [{ text: visit.words, style: 'note' }] : []),
        ],
      })),
      ...view.rooms.flatMap(({ name, job: where, brief }) =>
        points(
          `What is agreed: ${name}, ${where}`,
          BRIEF_PART_KEYS.flatMap((part) =>
            brief.parts[part].map((line) => `${BRIEF_PARTS[part]}: ${briefText(line)}`),
          ),
        ),
      ),
      ...points(
        'What stands where',
        view.there.map(({ what, text, job: where }) => `${what}: ${text} (${where})`),
      ),
      ...points(
        'Left to do',
        view.leftovers.map(({ area, text }) => `${area}: ${text}`),
      ),
      {
        text: 'Local code and your own licence decide how the work is done.',
        style: 'note',
        margin: [0, 12, 0, 0],
      },
    ],
  };
}

const workWords = (work: string, after: readonly string[]): string =>
  after.length > 0 ? `${work}; after you: ${after.join(', ')}` : work;

/** So many points stand on one page with their heading; more may break. */
const TOGETHER = 12;
const points = (heading: string, lines: readonly string[]): Content[] =>
  lines.length === 0
    ? []
    : [
        {
          unbreakable: lines.length <= TOGETHER,
          stack: [{ text: heading, style: 'head' }, rule(), { ul: [...lines] }],
        },
      ];
