import { phaseFacts } from '../sequence/phases';
import { addDays, formatDay, type Day } from '../units/day';
import { listed } from '../words/count';
import { saySpan, type NeededOf } from './neighbour-days';
import { part, type Draft, type DraftLine, type News, type NextWork } from './news';

/**
 * What a neighbour reads: that somebody works beside them and until when, on which days it is loud, what stands
 * outside, and whom to call. Nothing of the house itself: that is its owner’s.
 */
export function neighbourDraft(news: News): Draft {
  const place = news.address || news.job;
  return {
    title: `Building work at ${place}`,
    parts: [
      ...part('opening', '', [
        { key: 'who', text: `${news.from.firm || 'We'} ${news.from.firm ? 'is' : 'are'} working at ${place}.` },
        ...end(news),
        ...hours(news),
      ]),
      ...part(
        'changed',
        'Other than we wrote',
        news.daysMoved.map((text) => ({ key: `changed:${text}`, text })),
      ),
      ...part('loud', 'When it is loud', loud(news)),
      ...part('needed', 'What we need of you', news.needed.map(needed(news.today))),
      ...part(
        'there',
        'What stands outside',
        news.there.map(({ what, text }) => ({ key: `there:${what}`, text: `${what}: ${text}.` })),
      ),
      ...part('call', '', [{ key: 'call', text: call(news) }]),
    ],
  };
}

const end = ({ finish: { after }, today }: News): DraftLine[] =>
  after ? [{ key: 'end', text: `By the plan of today the work ends on ${formatDay(after, today)}.` }] : [];

const hours = ({ loudHalf }: News): DraftLine[] =>
  loudHalf ? [{ key: 'hours', text: `Loud work is done in the ${loudHalf} only.` }] : [];

/** Days on which it is loud, those that hang together as one stretch, with what makes the noise. */
function loud({ next, today }: News): DraftLine[] {
  const works = next.flatMap((work) => (work.phase !== null && phaseFacts(work.phase).loud ? [work] : []));
  return stretches(works).map(({ from, until, what }) => ({
    key: `loud:${from}`,
    text: `${saySpan(from, until, today)}: ${listed(what)}.`,
  }));
}

const needed =
  (today: Day) =>
  ({ id, name, what, work, from, until }: NeededOf): DraftLine => ({
    key: `needed:${id}`,
    text: `${name}: ${what}, for ${work}, ${saySpan(from, until, today)}.`,
  });

interface Stretch {
  from: Day;
  until: Day;
  what: string[];
}

function stretches(works: readonly NextWork[]): Stretch[] {
  const joined: Stretch[] = [];
  for (const { day, until, phase } of [...works].sort((a, b) => (a.day < b.day ? -1 : 1))) {
    const what = phase ? phaseFacts(phase).plain : '';
    const last = joined.at(-1);
    if (!last || day > addDays(last.until, 1)) {
      joined.push({ from: day, until, what: [what] });
      continue;
    }
    if (until > last.until) last.until = until;
    if (!last.what.includes(what)) last.what.push(what);
  }
  return joined;
}

function call({ from: { name, phone } }: News): string {
  const who = [name, phone].filter(Boolean).join(', ');
  return `If something troubles you, or you need the way on one of these days, ${who ? `call ${who}` : 'tell us'}, or write on your page.`;
}
