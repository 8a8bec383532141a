import { groupBy } from '../group-by';
import { TRADES } from '../sequence/trades';
import { formatDay } from '../units/day';
import { sayCauses } from '../words/cause';
import { sayLicence } from '../words/licence';
import { sayReason } from '../words/reason';
import { sayWork } from '../words/work';
import { part, type Draft, type DraftLine, type News } from './news';

/** Days that are told one by one; what lies beyond is on the board. */
const DAYS = 5;
/** Moves that are told; what lies beyond moves again before anybody comes. */
const MOVES = 8;

/**
 * What the crew reads: what to mind, what is left alone tonight, what moved, what is left to do, who is in which room
 * when, and what must be ready.
 */
export function crewDraft(news: News): Draft {
  const { diff, today } = news;
  return {
    title: `${news.job}, ${formatDay(today)}: what comes next`,
    parts: [
      ...part(
        'cautions',
        'Take care',
        news.cautions.map(({ area, text }) => ({ key: `care:${area}:${text}`, text: `${place(news, area)}: ${text}` })),
      ),
      ...part('tonight', 'Not to be touched tonight', news.leftAlone),
      ...part(
        'household',
        'Mind the household',
        diff.household.map(({ id, area, text }) => ({ key: `household:${id}`, text: `${place(news, area)}: ${text}` })),
      ),
      ...part(
        'decided',
        'Changed on the spot',
        diff.decisions.map(({ id, area, text }) => ({ key: `decided:${id}`, text: `${place(news, area)}: ${text}` })),
      ),
      ...part('moved', 'Moved', moved(news)),
      ...part(
        'left',
        'Still to do',
        diff.remaining.map((item) => ({
          key: `left:${item.id}`,
          text:
            `${TRADES[item.trade]} · ${place(news, item.area)}: ` +
            `${item.quantity ? `${item.quantity} ${item.unit ?? ''} `.replace(/ {2}/, ' ') : ''}${item.text}`,
        })),
      ),
      ...part(
        'wrong',
        'Wrong or missing on site',
        diff.selections
          .filter((check) => check.verdict !== 'right')
          .map((check) => {
            const known = news.selections.get(check.selection);
            return {
              key: `wrong:${check.selection}`,
              text:
                `${place(news, known?.area ?? check.area)}: ${known?.category ?? 'delivery'} ${check.verdict}` +
                `${check.text ? ` (${check.text})` : ''}. Do not fit it.`,
            };
          }),
      ),
      ...part('licences', 'Licences needed', licences(news)),
      ...days(news),
      ...(news.next.length === 0
        ? part('nothing', '', [{ key: 'nothing', text: 'Nothing is planned here for the next two weeks.' }])
        : []),
    ],
  };
}

const place = (news: News, area: string): string => news.areas.get(area) ?? 'The house';

const moved = ({ moved: all, today }: News): DraftLine[] =>
  all.slice(0, MOVES).map(({ task, work, from, to, causes, reason }) => ({
    key: `moved:${task ?? sayWork(work)}`,
    text:
      `${sayWork(work)}: now ${formatDay(to, today)}, was ${formatDay(from, today)}. ` +
      (causes?.length ? sayCauses(causes.slice(0, 1), today) : sayReason(reason, today)),
  }));

/** Whoever comes for work that needs a licence, each once. */
const licences = ({ next, today }: News): DraftLine[] =>
  [
    ...new Set(
      next.flatMap(({ crew, trade, licence }) =>
        licence ? [`${crew}, ${TRADES[trade].toLowerCase()}: ${sayLicence(licence, today)}`] : [],
      ),
    ),
  ].map((text) => ({ key: `licence:${text}`, text }));

const days = ({ next, today }: News) =>
  [...groupBy(next, ({ day }) => day)].slice(0, DAYS).flatMap(([day, works]) =>
    part(
      `day:${day}`,
      formatDay(day, today),
      works.map(({ task, crew, work, afternoon, after, licence }) => ({
        key: `on:${day}:${task}`,
        text:
          `${crew} · ${sayWork(work)}${afternoon ? ', from noon' : ''}` +
          (after.length > 0 ? ` (needs first: ${after.map(sayWork).join(', ')})` : '') +
          (licence && licence.kind !== 'held' ? `; ${sayLicence(licence, today)}` : ''),
      })),
    ),
  );
