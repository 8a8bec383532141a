import { groupBy } from '../group-by';
import { phaseFacts } from '../sequence/phases';
import { formatDay, type Day } from '../units/day';
import { part, type Draft, type DraftLine, type News, type NextWork } from './news';

/**
 * What a neighbour reads: that somebody works beside them and until when, on which days it is loud or dusty, what stands
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
      ...part('loud', 'When it is loud or dusty', loud(news)),
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

/** Each kind of loud or dusty work with its days, those that hang together as one stretch. */
const loud = ({ next, today }: News): DraftLine[] =>
  [
    ...groupBy(
      next.flatMap((work) => {
        if (work.phase === null) return [];
        const facts = phaseFacts(work.phase);
        return facts.loud || facts.dusty ? [{ ...work, how: howOf(facts), plain: facts.plain }] : [];
      }),
      ({ plain }) => plain,
    ),
  ].flatMap(([plain, works]) =>
    stretches(works).map(({ from, until }) => ({
      key: `loud:${plain}:${from}`,
      text: `${span(from, until, today)}: ${plain} (${works[0]?.how ?? ''}).`,
    })),
  );

const howOf = ({ loud: isLoud, dusty }: { loud?: true; dusty?: true }): string =>
  [isLoud && 'loud', dusty && 'dusty'].filter(Boolean).join(' and ');

function stretches(works: readonly NextWork[]): { from: Day; until: Day }[] {
  const joined: { from: Day; until: Day }[] = [];
  for (const { day, until } of [...works].sort((a, b) => (a.day < b.day ? -1 : 1))) {
    const last = joined.at(-1);
    if (last && day <= last.until) last.until = until > last.until ? until : last.until;
    else joined.push({ from: day, until });
  }
  return joined;
}

const span = (from: Day, until: Day, today: Day): string =>
  from === until ? formatDay(from, today) : `${formatDay(from, today)} to ${formatDay(until, today)}`;

function call({ from: { name, phone } }: News): string {
  const who = [name, phone].filter(Boolean).join(', ');
  return `If something troubles you, or you need the way on one of these days, ${who ? `call ${who}` : 'tell us'}, or write on your page.`;
}
