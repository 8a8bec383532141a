import { routes, type Path } from '@/contract/routes';
import type { FiledAs } from '@/contract/commands/walks';
import type { ReviewView } from '@/contract/views/walk';
import { readCaptions } from '@/core/narration/captions';
import { draftKeys } from '@/core/narration/draft';
import { readNarration } from '@/core/narration/read';
import { makePlan, type Plan } from '@/core/schedule/plan';
import { groupBy } from '@/core/group-by';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { TRADES } from '@/core/sequence/trades';
import type { News } from '@/core/news/news';
import { percent } from '@/core/news/news';
import { daysBetween } from '@/core/units/day';
import { ofKind, notWithdrawn, UNFILED_KINDS, type Observation } from '@/core/walks/observation';
import { carriedItems } from '@/core/walks/open-items';
import { progressOf } from '@/core/walks/progress';
import { countedWords, recordWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import { firmTime, today, type FirmTime, zoneOf } from '../zone';
import { queryAll, queryOne } from '../database/query';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { planInput } from '../schedule/plan-input';
import { holidaysOf, workedBetween } from '../schedule/read-site';
import { readPlan } from '../schedule/read-plan';
import { newsOf } from '../news/compose-drafts';
import { jobHead } from '../sites/queries';
import { picturesOf } from '../sites/room';
import { whenSeen } from '../words';
import { areaNamesOf, narrationsOf, requireWalk, type WalkRow } from './pack';
import { observationsOf } from './queries';

/**
 * The end of a walk: what it changed, what that does to the plan, and the updates. Before it is finished the effect is
 * worked out on the spot; afterwards it is the one that was stored.
 */
export function reviewView(installation: Installation, job: string, id: string): ReviewView {
  const walk = requireWalk(installation, id);
  if (walk.job !== job) throw notFound('walk of this job');
  const time = firmTime(installation);
  const now = time.today;
  const { before, after, planning, problem } = plansOf(installation, walk);
  const news = after && newsOf(installation.db, walk, before, after);
  const seen = notWithdrawn(observationsOf(installation.db, walk.job)).filter((observation) => observation.walk === id);
  return {
    job: jobHead(installation, walk.job),
    walk: {
      id,
      kind: walk.kind,
      when: whenSeen(walk.started_at, time),
      finished: walk.finished_at !== null,
      by:
        queryOne<{ name: string }>(installation.db, 'SELECT name FROM person WHERE id = @id', { id: walk.person })
          ?.name ?? '',
    },
    gain: news?.diff.gain ?? 0,
    done: news?.done ?? 0,
    areas: news ? areaLines(news) : [],
    ...openOf(installation, walk, seen, time),
    rates: news ? ratesOf(installation, walk, seen) : [],
    narrations: narrationsLeft(installation, walk),
    pictures: picturesOf(installation.db, seen, time),
    moved: news?.moved ?? [],
    finish: news?.finish ?? {},
    planning,
    problem,
    drafts: queryAll(
      installation.db,
      `SELECT id, audience, title, state
        FROM job_update
        WHERE walk = @id AND state <> 'dropped'
        ORDER BY audience`,
      { id },
    ),
    today: now,
  };
}

function plansOf(
  installation: Installation,
  walk: WalkRow,
): { before?: Plan; after?: Plan; planning: boolean; problem: string | null } {
  const stored = queryOne<{ before_version: number | null; after_version: number }>(
    installation.db,
    'SELECT * FROM walk_plan WHERE walk = @id',
    { id: walk.id },
  );
  if (stored) {
    const before =
      stored.before_version === null ? undefined : readPlan(installation.db, { version: stored.before_version });
    const after = readPlan(installation.db, { version: stored.after_version });
    return { ...(before ? { before } : {}), ...(after ? { after } : {}), planning: false, problem: null };
  }
  const before = readPlan(installation.db);
  const outcome = makePlan(planInput(installation.db, today(installation)));
  return {
    ...(before ? { before } : {}),
    ...(outcome.ok ? { after: outcome.value } : before ? { after: before } : {}),
    planning: walk.finished_at !== null,
    problem: outcome.ok ? null : outcome.problem.message,
  };
}

/** What nobody looked at, and what was said and has no place yet. */
function openOf(
  installation: Installation,
  walk: WalkRow,
  seen: readonly Observation[],
  { zone, today: now }: FirmTime,
): Pick<ReviewView, 'passedBy' | 'unfiled'> {
  const names = new Map(
    queryAll<{ id: string; name: string }>(installation.db, 'SELECT id, name FROM area WHERE job = @job', {
      job: walk.job,
    }).map((area) => [area.id, area.name]),
  );
  const before = carriedItems(
    notWithdrawn(observationsOf(installation.db, walk.job)).filter(
      (observation) => observation.walk !== walk.id && observation.at <= walk.started_at,
    ),
  );
  const looked = new Set(
    ofKind(seen, 'recheck')
      .filter((check) => check.verdict !== 'not seen')
      .map((check) => check.about),
  );
  const placed = new Map(
    queryAll<{ observation: string; filedAs: FiledAs; target: string | null }>(
      installation.db,
      `SELECT filing.observation, filing.filed_as AS filedAs, filing.target
        FROM filing
        JOIN standing_observation AS seen ON seen.id = filing.observation
        WHERE walk = @id`,
      { id: walk.id },
    ).map((row) => [row.observation, row]),
  );
  return {
    passedBy: before
      .filter(({ item }) => !looked.has(item.id))
      .map(({ item }) => ({
        area: names.get(item.area) ?? '',
        text: item.text,
        days: daysBetween(dayIn(zone, item.at), now),
      }))
      .sort((a, b) => b.days - a.days),
    unfiled: seen
      .filter((observation) => (UNFILED_KINDS as readonly string[]).includes(observation.kind))
      .map((observation) => {
        const place = placed.get(observation.id);
        return {
          id: observation.id,
          kind: observation.kind,
          area: names.get(observation.area) ?? '',
          areaId: observation.area,
          text: recordWords(observation),
          filedAs: place?.filedAs ?? null,
          href: place ? (PAGES[place.filedAs]?.(walk.job, place.target) ?? null) : null,
        };
      }),
  };
}

const PAGES: Record<FiledAs, ((job: string, target: string | null) => Path) | null> = {
  scope: (job) => routes.scope(job),
  assumption: (job) => routes.assumptions(job),
  change: (job) => routes.changes(job),
  wait: (job) => routes.sequence(job),
  selection: (job, target) => (target ? routes.selection(job, target) : routes.selections(job)),
  remark: null,
};

/** Steps that moved on this walk against the walk before, by how fast that was. */
function ratesOf(installation: Installation, walk: WalkRow, seen: readonly Observation[]): ReviewView['rates'] {
  const between = workedBetween(zoneOf(installation.db), holidaysOf(installation.db));
  const steps = new Map(
    queryAll<{ area: string; phase: Phase; half_days: number; name: string }>(
      installation.db,
      `SELECT step.area, phase, half_days, area.name
        FROM step
        JOIN area ON area.id = step.area
        WHERE area.job = @job`,
      { job: walk.job },
    ).map((step) => [taskId(step.area, step.phase), step]),
  );
  const moved = new Set(ofKind(seen, 'progress').map((entry) => taskId(entry.area, entry.phase)));
  return [...progressOf(notWithdrawn(observationsOf(installation.db, walk.job)))].flatMap(([key, { readings }]) => {
    const [former, last, step] = [readings.at(-2), readings.at(-1), steps.get(key)];
    if (!moved.has(key) || !former || !last || !step || last.fraction <= former.fraction) return [];
    const halfDays = between(former.at, last.at);
    return halfDays > 0
      ? [
          {
            label: `${step.name} · ${phaseFacts(step.phase).label}`,
            planned: step.half_days,
            observed: Math.round((halfDays / (last.fraction - former.fraction)) * 10) / 10,
          },
        ]
      : [];
  });
}

/** Narrations with drafts that nobody has settled. */
function narrationsLeft(installation: Installation, walk: WalkRow): ReviewView['narrations'] {
  const kept = narrationsOf(installation.db, walk.id);
  if (kept.length === 0) return [];
  const areas = areaNamesOf(installation.db, walk.job);
  return kept.map(({ id, name, text, dropped, accepted }) => {
    const captions = readCaptions(text);
    const keys = captions.ok ? draftKeys(readNarration(captions.value.cues, areas)) : [];
    return { id, name, open: keys.filter((key) => !dropped.includes(key) && !accepted.includes(key)).length };
  });
}

const far = (fraction: number): string => (fraction >= 1 ? 'done' : percent(fraction));

type Line = ReviewView['areas'][number]['lines'][number];

/** What a walk found, area by area in the order in which it is read. */
function areaLines(news: News): ReviewView['areas'] {
  const { diff } = news;
  const said: { area: string; tone: Line['tone']; text: string }[] = [
    ...diff.progress.map(({ area, phase, from, to }) => ({
      area,
      tone: good(to > from),
      text: `${phaseFacts(phase).label} ${far(from)} → ${far(to)}`,
    })),
    ...diff.closed.map(({ area, text }) => ({ area, tone: 'good' as const, text: `settled: ${text}` })),
    ...diff.remaining.map((item) => ({
      area: item.area,
      tone: 'bad' as const,
      text: `to do: ${countedWords(item)} · ${TRADES[item.trade].toLowerCase()}`,
    })),
    ...diff.selections.map(({ area, selection, verdict, text }) => ({
      area,
      tone: good(verdict === 'right'),
      text: `${news.selections.get(selection)?.category ?? 'selection'}: ${verdict}${text ? ` (${text})` : ''}`,
    })),
    ...news.settled.map((assumption) => ({
      area: assumption.area,
      tone: good(assumption.verdict === 'held'),
      text: settledWords(assumption),
    })),
    ...diff.surprises.map(({ area, text }) => ({ area, tone: 'bad' as const, text: `surprise: ${text}` })),
    ...diff.decisions.map((decision) => ({
      area: decision.area,
      tone: 'plain' as const,
      text: `decided: ${recordWords(decision)}`,
    })),
    ...diff.inWalls.map((thing) => ({ area: thing.area, tone: 'good' as const, text: recordWords(thing) })),
    ...diff.shorts.map((short) => ({ area: short.area, tone: 'bad' as const, text: `short of ${recordWords(short)}` })),
    ...diff.checks
      .filter((check) => check.verdict === 'open')
      .map(({ area, text }) => ({
        area,
        tone: 'bad' as const,
        text: `open before the wall is closed${text ? `: ${text}` : ''}`,
      })),
    ...diff.cautions.map(({ area, text }) => ({ area, tone: 'bad' as const, text: `caution: ${text}` })),
    ...diff.notes.map(({ area, text }) => ({ area, tone: 'plain' as const, text })),
    ...diff.measurements.map(({ area, text, typed }) => ({ area, tone: 'plain' as const, text: `${text}: ${typed}` })),
  ];
  return [...groupBy(said, ({ area }) => area)].map(([id, lines]) => ({
    id,
    name: news.areas.get(id) ?? '',
    lines: lines.map(({ tone, text }) => ({ tone, text })),
  }));
}

const good = (is: boolean): Line['tone'] => (is ? 'good' : 'bad');

const settledWords = ({ text, verdict, found, fallback }: News['settled'][number]): string =>
  verdict === 'held' ? `it held: ${text}` : `wrong: ${text}${found ? ` (${found})` : ''}; ${fallback} is added`;
