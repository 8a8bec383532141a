import { groupBy } from '../group-by';
import { phaseFacts } from '../sequence/phases';
import { TRADES } from '../sequence/trades';
import { formatDay } from '../units/day';
import { sayCauses } from '../words/cause';
import { capital } from '../words/letters';
import { sayReason } from '../words/reason';
import { sayWork } from '../words/work';
import { paragraph, percent, type Draft, type News } from './news';

/**
 * What the crews read after a walk: what moved, what is still to do, who is in which room when, and what must be ready.
 */
export function crewDraft(news: News): Draft {
  return {
    title: `${news.job}, walk of ${formatDay(news.day)}: what comes next`,
    body:
      [
        ...paragraph(
          'Take care',
          news.cautions.map(({ area, text }) => `${place(news, area)}: ${text}`),
        ),
        ...paragraph(
          'Mind the household',
          news.diff.household.map((entry) => `${place(news, entry.area)}: ${entry.text}`),
        ),
        ...paragraph(
          'Changed on the spot',
          news.diff.decisions.map((decision) => `${place(news, decision.area)}: ${decision.text}`),
        ),
        ...paragraph(
          'Moved',
          news.moved
            .slice(0, 8)
            .map(
              (work) =>
                `${sayWork(work.work)}: now ${formatDay(work.to, news.day)}, was ${formatDay(work.from, news.day)}. ` +
                (work.causes?.length ? sayCauses(work.causes.slice(0, 1), news.day) : sayReason(work.reason, news.day)),
            ),
        ),
        ...paragraph(
          'Still to do',
          news.diff.remaining.map(
            (item) =>
              `${TRADES[item.trade]} · ${place(news, item.area)}: ` +
              `${item.quantity ? `${item.quantity} ${item.unit ?? ''} `.replace(/ {2}/, ' ') : ''}${item.text}`,
          ),
        ),
        ...paragraph(
          'Wrong or missing on site',
          news.diff.selections
            .filter((check) => check.verdict !== 'right')
            .map((check) => {
              const known = news.selections.get(check.selection);
              return (
                `${place(news, known?.area ?? check.area)}: ${known?.category ?? 'delivery'} ` +
                `${check.verdict}${check.text ? ` — ${check.text}` : ''}. Do not fit it.`
              );
            }),
        ),
        ...byDay(news),
        ...paragraph(
          'How far',
          news.diff.progress.map(
            ({ area, phase, to }) =>
              `${place(news, area)} · ${phaseFacts(phase).label}: ${to >= 1 ? 'done' : percent(to)}`,
          ),
        ),
      ].join('\n\n') || 'Nothing changed on this walk.',
  };
}

const place = (news: News, area: string): string => news.areas.get(area) ?? 'Site';

function byDay(news: News): string[] {
  return [...groupBy(news.next, (work) => work.day)].slice(0, 5).flatMap(([day, works]) =>
    paragraph(
      capital(formatDay(day, news.day)),
      works.map(({ crew, work, afternoon, after }) => {
        const first = after.length > 0 ? ` (needs first: ${after.map(sayWork).join(', ')})` : '';
        return `${crew} · ${sayWork(work)}${afternoon ? ', from noon' : ''}${first}`;
      }),
    ),
  );
}
