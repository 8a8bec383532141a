import type { ReviewView } from '@/contract/views/walk';
import { makePlan, type Plan } from '@/core/schedule/plan';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import type { News } from '@/core/updates/news';
import { percent } from '@/core/updates/news';
import { standing } from '@/core/walks/observation';
import { today } from '../clock';
import { all, one } from '../database/query';
import { notFound } from '../door/refusal';
import type { House } from '../house';
import { planInput } from '../schedule/plan-input';
import { readPlan } from '../schedule/read-plan';
import { newsOf } from '../updates/compose-drafts';
import { jobHead } from '../sites/queries';
import { picturesOf } from '../sites/room';
import { whenSeen } from '../words';
import { needWalk, type WalkRow } from './pack';
import { observationsOf } from './queries';

/**
 * The end of a walk: what it changed, what that does to the plan, and the updates. Before it is finished the effect is
 * worked out on the spot; afterwards it is the one that was stored.
 */
export function reviewView(house: House, job: string, id: string): ReviewView {
  const walk = needWalk(house, id);
  if (walk.job !== job) throw notFound('walk of this job');
  const now = today(house.clock);
  const { before, after, planning, problem } = plansOf(house, walk);
  const news = after && newsOf(house.db, walk, before, after);
  const seen = standing(observationsOf(house.db, walk.job)).filter((observation) => observation.walk === id);
  return {
    job: jobHead(house, walk.job),
    walk: {
      id, kind: walk.kind, when: whenSeen(walk.started_at, now), finished: walk.finished_at !== null,
      by: one<{ name: string }>(house.db, 'SELECT name FROM person WHERE id = @id', { id: walk.person })?.name ?? '',
    },
    gain: news?.diff.gain ?? 0,
    done: news?.done ?? 0,
    areas: news ? areaLines(news) : [],
    pictures: picturesOf(house.db, seen, now),
    moved: news?.moved ?? [],
    finish: news?.finish ?? {},
    planning, problem,
    drafts: all(house.db, `SELECT id, audience, title, state FROM job_update WHERE walk = @id AND state <> 'dropped' ORDER BY audience`, { id }),
    today: now,
  };
}

function plansOf(house: House, walk: WalkRow): { before?: Plan; after?: Plan; planning: boolean; problem: string | null } {
  const stored = one<{ before_version: number | null; after_version: number }>(house.db, 'SELECT * FROM walk_plan WHERE walk = @id', { id: walk.id });
  if (stored) {
    const before = stored.before_version === null ? undefined : readPlan(house.db, { version: stored.before_version });
    const after = readPlan(house.db, { version: stored.after_version });
    return { ...(before ? { before } : {}), ...(after ? { after } : {}), planning: false, problem: null };
  }
  const before = readPlan(house.db);
  const outcome = makePlan(planInput(house.db, today(house.clock)));
  return {
    ...(before ? { before } : {}), ...(outcome.ok ? { after: outcome.value } : before ? { after: before } : {}),
    planning: walk.finished_at !== null, problem: outcome.ok ? null : outcome.problem.message,
  };
}

const far = (fraction: number): string => (fraction >= 1 ? 'done' : percent(fraction));

function areaLines(news: News): ReviewView['areas'] {
  const lines = new Map<string, ReviewView['areas'][number]>();
  const add = (area: string, tone: 'good' | 'bad' | 'plain', text: string): void => {
    const entry = lines.get(area) ?? { id: area, name: news.areas.get(area) ?? '', lines: [] };
    entry.lines.push({ tone, text });
    lines.set(area, entry);
  };
  for (const { area, phase, from, to } of news.diff.progress) add(area, to > from ? 'good' : 'bad', `${phaseFacts(phase).label} ${far(from)} → ${far(to)}`);
  for (const item of news.diff.closed) add(item.area, 'good', `settled: ${item.text}`);
  for (const item of news.diff.remaining) add(item.area, 'bad', `to do: ${[item.quantity, item.unit, item.text].filter(Boolean).join(' ')} · ${TRADES[item.trade].toLowerCase()}`);
  for (const check of news.diff.selections) add(check.area, check.verdict === 'right' ? 'good' : 'bad', `${news.selections.get(check.selection)?.category ?? 'selection'}: ${check.verdict}${check.text ? ` (${check.text})` : ''}`);
  for (const { area, text, verdict, found, fallback } of news.settled) add(area, verdict === 'held' ? 'good' : 'bad', verdict === 'held' ? `it held: ${text}` : `wrong: ${text}${found ? ` (${found})` : ''}; ${fallback} is added`);
  for (const caution of news.diff.cautions) add(caution.area, 'bad', `caution: ${caution.text}`);
  for (const note of news.diff.notes) add(note.area, 'plain', note.text);
  for (const measure of news.diff.measurements) add(measure.area, 'plain', `${measure.text}: ${measure.typed}`);
  return [...lines.values()];
}
