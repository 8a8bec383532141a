import { groupBy } from '../group-by';
import { phaseFacts } from '../sequence/phases';
import { addDays, daysBetween, formatDay, mondayOf, type Day } from '../units/day';
import type { ProgressChange } from '../walks/diff';
import { counted, listed, partOf } from '../words/count';
import { sayBy } from '../words/day';
import { capital } from '../words/letters';
import { sayCauseToClient } from '../words/cause';
import { sayWorkHere } from '../words/work';
import { part, percent, type Draft, type DraftLine, type News, type NextWork } from './news';

/**
 * What a client reads: where their job is and when it ends, what was done since they were written to, what was found, what
 * is put right, the next two weeks, what they have to decide, what is off in the house.
 */
export function clientDraft(news: News): Draft {
  const { diff } = news;
  return {
    title: `${news.job}: news of ${formatDay(news.today)}`,
    parts: [
      ...part('opening', '', [{ key: 'share', text: share(news) }, ...end(news), ...hangsOn(news)]),
      ...part('done', news.since ? `Done since ${formatDay(news.since, news.today)}` : 'Done so far', done(news)),
      ...part('quiet', '', quiet(news)),
      ...part('found', 'What opening up has shown', [...shown(news), ...surprises(news)]),
      ...part(
        'decided',
        'Settled on the spot',
        diff.decisions.map((decision) => ({
          key: `decided:${decision.id}`,
          text:
            `${place(news, decision.area)}: ${decision.text}` +
            (decision.by === 'client' ? `, as ${decision.name ?? 'you'} wished` : '') +
            (decision.free ? ', at no charge.' : '.'),
        })),
      ),
      ...part('mended', 'To be put right', [...setbacks(news), ...wrongSelections(news), ...leftovers(news)]),
      ...part('next', 'The next two weeks', weeks(news)),
      ...part('ahead', '', quietAhead(news)),
      ...part(
        'decide',
        'For you to decide',
        news.decisions.map(({ id, text, by }) => ({
          key: `decide:${id}`,
          text: `${capital(text)}${by ? `, ${sayBy(by, news.today)}` : ''}, so that nothing has to wait.`,
        })),
      ),
      ...part(
        'off',
        'In the house',
        news.off.map(({ when, text }) => ({ key: `off:${when} ${text}`, text: `${when}: ${text}.` })),
      ),
      ...part('from', '', from(news)),
    ],
  };
}

function from({ from: { name, firm, phone } }: News): DraftLine[] {
  const text = [name, firm, phone].filter(Boolean).join(', ');
  return text ? [{ key: 'from', text }] : [];
}

const place = (news: News, area: string): string => news.areas.get(area) ?? 'The house';

function share({ diff, done: all, since, today, next }: News): string {
  if (all === 0) {
    const [first] = next.map(({ day }) => day).sort();
    if (!first) return 'The work has not begun yet.';
    return first <= today ? 'The work begins today.' : `The work begins on ${formatDay(first, today)}.`;
  }
  const gained =
    since === undefined
      ? ''
      : diff.gain > 0.0005
        ? `, ${diff.gain < 0.01 ? 'less than 1 %' : percent(diff.gain)} more than on ${formatDay(since, today)}`
        : `; little has moved since ${formatDay(since, today)}`;
  return `${capital(partOf(all))} of the work is done${gained}.`;
}

/** When it ends, against what they were told and promised, and why it moved. */
function end({ finish: { before, after, promised }, causes, today }: News): DraftLine[] {
  if (!after) return [];
  const shift = before ? daysBetween(before, after) : 0;
  const why = [...new Set(causes.flatMap((cause) => sayCauseToClient(cause, today) ?? []))].slice(0, 2).join(' ');
  const change =
    shift === 0
      ? ''
      : ` That is ${counted(Math.abs(shift), 'day')} ${shift > 0 ? 'later' : 'earlier'} than we told you.`;
  return [
    {
      key: 'end',
      text: `By the plan of today we finish on ${formatDay(after, today)}${against(after, promised, today)}.${change}${
        shift === 0 || !why ? '' : ` ${why}`
      }`,
    },
  ];
}

/** How sure the last day is: what it hangs on that others have in their hands. */
const hangsOn = ({ hangsOn: things, finish: { after } }: News): DraftLine[] =>
  after && things.length > 0 ? [{ key: 'hangs', text: `That day hangs on ${listed(things.slice(0, HANGS_ON))}.` }] : [];
/** As much as somebody keeps in mind. */
const HANGS_ON = 3;

function against(after: Day, promised: Day | undefined, today: Day): string {
  if (!promised) return '';
  const days = daysBetween(after, promised);
  if (days === 0) return ', the day we promised';
  return `, ${counted(Math.abs(days), 'day')} ${days > 0 ? 'before' : 'after'} the ${formatDay(promised, today)} we promised`;
}

/** One point a room: what is finished there, and what has begun. How far a check is says nothing; that it is passed does. */
const done = (news: News): DraftLine[] =>
  [
    ...groupBy(
      news.diff.progress.filter(({ from, to, phase }) => to > from && (to >= 1 || !phaseFacts(phase).hold)),
      (change) => change.area,
    ),
  ].map(([area, changes]) => ({ key: `done:${area}`, text: progressPoint(news, area, changes) }));

function progressPoint(news: News, area: string, changes: readonly ProgressChange[]): string {
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

/** Most of a house is built where nobody will ever look: without a word for it, such weeks read as idle. */
function quiet({ diff, since }: News): DraftLine[] {
  if (since === undefined || diff.gain <= 0 || diff.visibleGain >= diff.gain / 2) return [];
  return [
    {
      key: 'quiet',
      text:
        `If it looks quiet: ${percent(1 - diff.visibleGain / diff.gain)} of what was done since then is inside walls, ` +
        'floors and ceilings, or is testing. You will never see it again, and that is why it is done and checked with ' +
        'care now.',
    },
  ];
}

const setbacks = (news: News): DraftLine[] =>
  news.diff.progress
    .filter((change) => change.to < change.from)
    .map(({ area, phase, from, to }) => ({
      key: `back:${area}:${phase}`,
      text: `${place(news, area)}: ${phaseFacts(phase).plain}, ${percent(to)} done, less than we thought (${percent(from)}).`,
    }));

/** What was priced unseen and has now been seen: it held, or it brings work with it. */
const shown = (news: News): DraftLine[] =>
  news.settled.map(({ id, area, text, verdict, found, fallback }) => ({
    key: `settled:${id}`,
    text:
      verdict === 'held'
        ? `${place(news, area)}: we assumed that ${text}, and it is so.`
        : `${place(news, area)}: we assumed that ${text}. It is not so${found ? `: ${found}` : ''}. So we ${fallback}.${meaning(news, id)}`,
  }));

/** What a finding means for time and cost, where a change says so. */
function meaning({ changes, today }: News, id: string): string {
  const change = changes.get(id);
  if (!change) return '';
  const { number, total, before, after, state } = change;
  const answer = { sent: 'it waits for your answer', approved: 'you agreed to it', declined: 'you said no to it' }[
    state
  ];
  const end = before && after && before !== after ? `, and the work ends on ${formatDay(after, today)}` : '';
  return ` Change ${number} says what it means: ${total}${end}; ${answer}.`;
}

const surprises = (news: News): DraftLine[] =>
  news.diff.surprises.map(({ id, area, text }) => ({
    key: `surprise:${id}`,
    text:
      `${place(news, area)}: ${text}.` + (meaning(news, id) || ' We will tell you what it means for time and cost.'),
  }));

const FOUND = { wrong: 'not what you chose', missing: 'not there', damaged: 'damaged', right: 'right' } as const;

const wrongSelections = (news: News): DraftLine[] =>
  news.diff.selections
    .filter((check) => check.verdict !== 'right')
    .map((check) => {
      const known = news.selections.get(check.selection);
      const chosen = known?.choice ? ` You chose: ${known.choice}.` : '';
      return {
        key: `wrong:${check.selection}`,
        text:
          `${place(news, known?.area ?? check.area)}, ${known?.category.toLowerCase() ?? 'delivery'}: ` +
          `${FOUND[check.verdict]}${check.text ? ` (${check.text})` : ''}. We are putting it right.${chosen}`,
      };
    });

const leftovers = (news: News): DraftLine[] =>
  news.diff.remaining.map((item) => ({
    key: `left:${item.id}`,
    text:
      `${place(news, item.area)}: ` +
      `${item.quantity ? `${item.quantity} ${item.unit ? `${item.unit} ` : ''}` : ''}${item.text}, still to do before ` +
      'the next step there.',
  }));

/** Work that is no stop of ours: what somebody does in a room. */
const worked = (news: News): (NextWork & { phase: NonNullable<NextWork['phase']> })[] =>
  news.next.flatMap((work) =>
    work.phase !== null && !phaseFacts(work.phase).hold ? [{ ...work, phase: work.phase }] : [],
  );

/** How much of a week is told: what takes longest. */
const OF_A_WEEK = 6;

/** Week by week what is done where. */
const weeks = (news: News): DraftLine[] =>
  [...groupBy(worked(news), ({ day }) => mondayOf(day))].map(([monday, works]) => {
    const byStep = [...groupBy(works, ({ phase }) => phase)].sort(([, a], [, b]) => halves(b) - halves(a));
    const told = byStep.slice(0, OF_A_WEEK).map(([phase, list]) => {
      const rooms = [...new Set(list.map(({ area, work }) => (area ? place(news, area) : sayWorkHere(work))))];
      return `${phaseFacts(phase).plain} (${rooms.length > 4 ? `${rooms.length} places` : listed(rooms)})`;
    });
    const more = byStep.length > OF_A_WEEK ? ', and more' : '';
    return {
      key: `week:${monday}`,
      text: `${spanOf(monday, works, news.today)}: ${told.join(', ')}${more}.`,
    };
  });

/** From its Monday, or today, to its Friday, or later where a Saturday is worked. */
function spanOf(monday: Day, works: readonly NextWork[], today: Day): string {
  const from = monday < today ? today : monday;
  const until = [addDays(monday, 4), ...works.map(({ day }) => day)].reduce(
    (last, day) => (day > last ? day : last),
    from,
  );
  return from === until ? formatDay(from, today) : `${formatDay(from, today)} to ${formatDay(until, today)}`;
}

const halves = (works: readonly NextWork[]): number => works.reduce((sum, { halfDays }) => sum + halfDays, 0);

/** Said beforehand: the next two weeks will look dull, and why they matter. */
function quietAhead(news: News): DraftLine[] {
  const all = worked(news);
  const hidden = halves(all.filter(({ phase }) => phaseFacts(phase).hidden));
  if (all.length === 0 || hidden < halves(all) * 0.6) return [];
  return [
    {
      key: 'ahead',
      text:
        'It will look quiet: most of this is inside walls, floors and ceilings. What is right inside them now need never ' +
        'be opened again.',
    },
  ];
}
