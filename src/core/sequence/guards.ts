import type { Link } from '../schedule/network';
import { counts, FORBIDDEN, type Forbidden } from './forbidden';
import { taskId, taskRef, type Site, type SiteArea } from './site';
import type { TaskId } from '../ids';

/** A link that nothing else makes, and without which a forbidden order could come out. */
export interface Guard {
  before: TaskId;
  after: TaskId;
  why: string;
}

/**
 * What no link keeps from a forbidden order: where a rule is switched off or a way of working parts its steps. While all
 * rules hold there is none.
 * @param links what is hard so far
 */
export function guardsOf(site: Site, links: Iterable<Link>): Guard[] {
  const followers = new Map<TaskId, TaskId[]>();
  for (const { before, after, strength, kind } of links)
    if (strength === 'hard' && kind === 'FS') followers.set(before, [...(followers.get(before) ?? []), after]);
  const reached = new Map<TaskId, Set<TaskId>>();
  const leadsTo = (before: TaskId, after: TaskId): boolean => {
    if (followers.get(before)?.includes(after)) return true;
    const known = reached.get(before) ?? reachedFrom(before, followers, taskRef(before).area);
    reached.set(before, known);
    return known.has(after);
  };
  return pairsOf(site).flatMap(({ before, after, why }) => (leadsTo(before, after) ? [] : [{ before, after, why }]));
}

/** All that follows a step within its own area. */
function reachedFrom(from: TaskId, followers: ReadonlyMap<TaskId, TaskId[]>, area: string): Set<TaskId> {
  const reached = new Set<TaskId>();
  const open = [from];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const next of followers.get(at) ?? [])
      if (!reached.has(next)) {
        reached.add(next);
        if (taskRef(next).area === area || next.includes(':tight:')) open.push(next);
      }
  return reached;
}

/** Every two steps of the job that stand against each other. */
function pairsOf(site: Site): Guard[] {
  const having = new Map<string, SiteArea[]>();
  for (const area of site.areas)
    for (const { phase } of area.track) having.set(phase, [...(having.get(phase) ?? []), area]);
  const guard = ({ step, before, why }: Forbidden, area: SiteArea, other: SiteArea): Guard => ({
    before: taskId(other.id, before),
    after: taskId(area.id, step),
    why,
  });
  return FORBIDDEN.flatMap((pair) => {
    const others = new Set(having.get(pair.before));
    return (having.get(pair.step) ?? []).flatMap((area) =>
      pair.where === 'here'
        ? others.has(area)
          ? [guard(pair, area, area)]
          : []
        : [...others].flatMap((other) => (counts(site, pair.where, area, other) ? [guard(pair, area, other)] : [])),
    );
  });
}
