import { groupBy } from '../group-by';
import { phaseFacts } from '../sequence/phases';
import { daysBetween, formatDay } from '../units/day';
import type { ProgressChange } from '../walks/diff';
import { partOf } from '../words/count';
import { sayBy } from '../words/day';
import { capital } from '../words/letters';
import { sayCauseToClient } from '../words/cause';
import { sayWorkHere } from '../words/work';
import { paragraph, percent, type Draft, type News } from './news';

/**
 * What the client reads after a walk: what was done, what is wrong, what comes next, when it is over, what they must
 * decide.
 */
export function clientDraft(news: News): Draft {
  return {
    title: `${news.job}: what we found on ${formatDay(news.day)}`,
    body: [
      opening(news),
      ...paragraph(
        'Done since the last walk',
        [
          ...groupBy(
            news.diff.progress.filter((change) => change.to > change.from),
            (change) => change.area,
          ),
        ].map(([area, changes]) => progressPoint(news, area, changes)),
      ),
      ...quiet(news),
      ...paragraph('What opening up has shown', [
        ...shown(news),
        ...news.diff.surprises.map(
          (surprise) =>
            `${place(news, surprise.area)}: ${surprise.text}. We will tell you what it means for time and cost.`,
        ),
      ]),
      ...paragraph(
        'Settled on the spot',
        news.diff.decisions.map(
          (decision) =>
            `${place(news, decision.area)}: ${decision.text}` +
            (decision.by === 'client' ? `, as ${decision.name ?? 'you'} wished` : '') +
            (decision.free ? ', at no charge.' : '.'),
        ),
      ),
      ...paragraph('To be put right', [...setbacks(news), ...wrongSelections(news), ...leftovers(news)]),
      ...paragraph('What comes next', nextPoints(news)),
      finish(news),
      ...paragraph(
        'We need you to decide',
        news.decisions.map(({ text, by }) => `${capital(text)} — ${sayBy(by, news.day)}, so that nothing has to wait.`),
      ),
      ...living(news),
    ]
      .filter((part) => part !== '')
      .join('\n\n'),
  };
}

const place = (news: News, area: string): string => news.areas.get(area) ?? 'The house';

function opening({ diff, done }: News): string {
  const gained =
    diff.gain > 0.0005
      ? `, ${percentFine(diff.gain)} more than at the last walk`
      : '; little has moved since the last walk';
  return `${capital(partOf(done))} of the work is done${gained}.`;
}

const percentFine = (fraction: number): string => (fraction < 0.01 ? 'less than 1 %' : percent(fraction));

/** One point a room: what is finished there, and what has begun. */
function progressPoint(news: News, area: string, changes: ProgressChange[]): string {
  const finished = changes.filter((change) => change.to >= 1).map((change) => phaseFacts(change.phase).plain);
  const begun = changes
    .filter((change) => change.to < 1)
    .map(
      ({ phase, from, to }) =>
        `${phaseFacts(phase).plain} ${percent(to)} done${from > 0 ? ` (was ${percent(from)})` : ''}`,
    );
  return `${place(news, area)}: ${[finishedWords(finished), ...begun].filter(Boolean).join('; ')}.`;
}

/** A few by their names; of many, how many and the last: a list of eighteen is read by nobody. */
function finishedWords(finished: readonly string[]): string {
  if (finished.length === 0) return '';
  if (finished.length <= 4) return `${listed(finished)} finished`;
  return `${finished.length} steps finished, the last of them ${listed(finished.slice(-2))}`;
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

/** Most of a house is built where nobody will ever look: without a word for it, such weeks read as idle. */
function quiet({ diff }: News): string[] {
  if (diff.gain <= 0 || diff.visibleGain >= diff.gain / 2) return [];
  return [
    `If it looks quiet: ${percent(1 - diff.visibleGain / diff.gain)} of what was done since the last walk is ` +
      'inside walls, floors and ceilings, or is testing. You will never see it again, and that is why it is done ' +
      'and checked with care now.',
  ];
}

function setbacks(news: News): string[] {
  return news.diff.progress
    .filter((change) => change.to < change.from)
    .map(
      ({ area, phase, from, to }) =>
        `${place(news, area)}: ${phaseFacts(phase).plain} — ${percent(to)} done, less than we thought ` +
        `(${percent(from)}).`,
    );
}

/** What was priced unseen and has now been seen: it held, or it brings work with it. */
function shown(news: News): string[] {
  return news.settled.map(({ area, text, verdict, found, fallback }) =>
    verdict === 'held'
      ? `${place(news, area)}: we assumed that ${text}, and it is so.`
      : `${place(news, area)}: we assumed that ${text}. It is not so${found ? `: ${found}` : ''}. So we ${fallback}.`,
  );
}

const FOUND = { wrong: 'not what you chose', missing: 'not there', damaged: 'damaged', right: 'right' } as const;

function wrongSelections(news: News): string[] {
  return news.diff.selections
    .filter((check) => check.verdict !== 'right')
    .map((check) => {
      const known = news.selections.get(check.selection);
      const chosen = known?.choice ? ` You chose: ${known.choice}.` : '';
      return (
        `${place(news, known?.area ?? check.area)}, ${known?.category.toLowerCase() ?? 'delivery'}: ` +
        `${FOUND[check.verdict]}${check.text ? ` (${check.text})` : ''}. We are putting it right.${chosen}`
      );
    });
}

function leftovers(news: News): string[] {
  return news.diff.remaining.map(
    (item) =>
      `${place(news, item.area)}: ` +
      `${item.quantity ? `${item.quantity} ${item.unit ? `${item.unit} ` : ''}` : ''}${item.text} — still to do ` +
      'before the next step there.',
  );
}

function nextPoints(news: News): string[] {
  const seen = new Set<string>();
  return news.next
    .filter((work) => work.phase !== null && !phaseFacts(work.phase).hold)
    .filter((work) => !seen.has(`${work.area}${work.phase}`) && seen.add(`${work.area}${work.phase}`))
    .slice(0, 6)
    .map(
      (work) =>
        `${formatDay(work.day, news.day)}${work.afternoon ? ', afternoon' : ''}: ` +
        `${work.phase ? phaseFacts(work.phase).plain : sayWorkHere(work.work)}${work.area ? `, ${place(news, work.area)}` : ''}.`,
    );
}

function finish({ finish: { before, after, promised }, causes, day }: News): string {
  if (!after) return '';
  const shift = before ? daysBetween(before, after) : 0;
  const why = [...new Set(causes.flatMap((cause) => sayCauseToClient(cause, day) ?? []))].join(' ');
  const change =
    shift === 0
      ? ''
      : ` That is ${count(Math.abs(shift))} ${shift > 0 ? 'later' : 'earlier'} than we thought before this ` +
        `walk.${why ? ` ${why}` : ''}`;
  const against = promised && after > promised ? ` We had promised ${formatDay(promised, day)}.` : '';
  return `As things stand we finish on ${formatDay(after, day)}.${change}${against}`;
}

const count = (days: number): string => (days === 1 ? 'a day' : `${days} days`);

function living({ livedIn, next, day }: News): string[] {
  if (!livedIn) return [];
  const off = next.filter((work) => work.phase === 'isolate' || work.phase === 'switch-over');
  return paragraph(
    'In the house',
    off
      .slice(0, 3)
      .map(
        (work) =>
          `${formatDay(work.day, day)}: ${
            work.phase === 'isolate'
              ? 'power or water off in one room for part of the day'
              : 'the drains are changed over; please use no water meanwhile'
          }.`,
      ),
  );
}
