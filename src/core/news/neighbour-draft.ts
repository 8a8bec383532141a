import { phaseFacts } from '../sequence/phases';
import { addDays, formatDay, type Day } from '../units/day';
import { listed } from '../words/count';
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
      ...part('loud', 'When it is loud', loud(news)),
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
    text: `${span(from, until, today)}: ${listed(what)}.`,
  }));
}

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

const span = (from: Day, until: Day, today: Day): string =>
  from === until ? formatDay(from, today) : `${formatDay(from, today)} to ${formatDay(until, today)}`;

function call({ from: { name, phone } }: News): string {
  const who = [name, phone].filter(Boolean).join(', ');
  return `If something troubles you, or you need the way on one of these days, ${who ? `call ${who}` : 'tell us'}, or write on your page.`;
}
