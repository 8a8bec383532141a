import { findLoop, type Exposure, type Link, type LinkKind } from '../schedule/network';
import { phaseFacts, phaseOrder, type Phase } from './phases';
import {
  ADDED_WORK,
  GATES,
  LEFTOVERS,
  LOGISTICS,
  NEVER,
  OWN_ORDER,
  PARTS,
  SCHOOL,
  HITS,
  PROVES,
  SAVES,
  SERVICES,
  USUAL_ORDER,
  type Effect,
  type JobTask,
  type Lag,
  type Rule,
  type Within,
} from './rules';
import { ruleHolds, rulesOf } from './switches';
import { guardsOf } from './guards';
import { areJoined, isReachedThrough } from './ways-through';
import {
  extraId,
  gateId,
  jobTaskId,
  leftoverId,
  logisticId,
  partId,
  proofId,
  taskId,
  taskRef,
  willHave,
  type Site,
  type SiteArea,
} from './site';
import type { TaskId } from '../ids';

/** A task that the rules add for the whole job. */
export interface AddedTask {
  id: TaskId;
  kind: JobTask | 'tight';
  level?: string;
  /** What waits for it, of a task of the job. */
  frees?: readonly TaskId[];
}

export interface Sequence {
  links: Link[];
  exposures: Exposure[];
  added: AddedTask[];
}

type Linker = (before: string, after: string, lag?: Lag, kind?: LinkKind) => void;

const has = (area: SiteArea, phase: Phase): boolean => area.track.some((step) => step.phase === phase);
const present = (area: SiteArea, phases: readonly Phase[], first?: true): Phase[] => {
  const found = phases.filter((phase) => has(area, phase));
  if (!first) return found;
  return found.sort((a, b) => phaseOrder(a) - phaseOrder(b)).slice(0, 1);
};

/** For every area the areas in which `before` counts. */
function reach(site: Site, area: SiteArea, within: Within): SiteArea[] {
  switch (within) {
    case 'area':
      return [area];
    case 'beside':
      return [area, ...site.areas.filter((other) => area.beside.includes(other.id))];
    case 'route':
      return site.areas.filter((other) => other.passage && other.id !== area.id && other.level?.id === area.level?.id);
    case 'passed':
      return area.passage ? site.areas.filter((other) => other !== area && isReachedThrough(other, area)) : [];
    case 'joined':
      return site.areas.filter((other) => other !== area && areJoined(site, area, other));
    case 'level':
      return site.areas.filter((other) => other.level !== undefined && other.level.id === area.level?.id);
    case 'job':
      return site.areas;
  }
}

function order(site: Site, effect: Extract<Effect, { form: 'order' }>, link: Linker): void {
  for (const area of site.areas) {
    const afters = present(area, effect.after, effect.first);
    if (afters.length === 0) continue;
    for (const other of reach(site, area, effect.within)) {
      for (const before of present(other, effect.before)) {
        for (const after of afters) link(taskId(other.id, before), taskId(area.id, after), effect.lag, effect.kind);
      }
    }
  }
}

function chain(site: Site, phases: readonly Phase[], link: Linker): void {
  for (const area of site.areas) {
    const found = present(area, phases);
    found.slice(1).forEach((phase, index) => link(taskId(area.id, found[index] ?? phase), taskId(area.id, phase)));
  }
}

function alongFall(site: Site, effect: Extract<Effect, { form: 'along-fall' }>, link: Linker): void {
  const all = site.areas.filter((area) => has(area, effect.phase));
  const pitFirst = (area: SiteArea): number => (has(area, 'pit') ? 0 : 1);
  for (const level of effect.byLevel ? new Set(all.map((area) => area.level?.id)) : [undefined]) {
    const legs = all
      .filter((area) => !effect.byLevel || area.level?.id === level)
      .sort((a, b) => pitFirst(a) - pitFirst(b) || a.position - b.position);
    legs
      .slice(1)
      .forEach((leg, index) => link(taskId(legs[index]?.id ?? leg.id, effect.phase), taskId(leg.id, effect.phase)));
    const { then } = effect;
    if (!then) continue;
    for (const area of site.areas.filter((other) => has(other, then)))
      for (const leg of legs)
        for (const phase of present(leg, [effect.phase, ...(effect.closedBy ?? [])]))
          link(taskId(leg.id, phase), taskId(area.id, then));
  }
}

/** A trench over several areas, from its lowest up. */
function sections(site: Site, { once, dig, lay }: Extract<Effect, { form: 'sections' }>, link: Linker): void {
  const legs = site.areas.filter((area) => has(area, lay)).sort((a, b) => a.position - b.position);
  const lowest = legs.find((area) => has(area, dig));
  for (const leg of legs) if (lowest && has(leg, once)) link(taskId(leg.id, once), taskId(lowest.id, dig));
  legs.slice(1).forEach((leg, at) => has(leg, dig) && link(taskId(legs[at]?.id ?? leg.id, lay), taskId(leg.id, dig)));
}

/** One milestone a level stands between all that shelters it and all that needs shelter: m + n links, not m · n. */
function sheltered(site: Site, effect: Extract<Effect, { form: 'sheltered' }>, link: Linker, added: AddedTask[]): void {
  const levels = new Set(site.areas.flatMap((area) => (area.level ? [area.level.id] : [])));
  for (const level of levels) {
    const makers = site.areas
      .filter((area) => area.shelters.includes(level))
      .flatMap((area) => present(area, effect.madeBy).map((phase) => taskId(area.id, phase)));
    const needers = site.areas
      .filter((area) => area.level?.id === level)
      .flatMap((area) => present(area, effect.before, true).map((phase) => taskId(area.id, phase)));
    if (makers.length === 0 || needers.length === 0) continue;
    const tight: AddedTask = { id: `${site.id}:tight:${level}`, kind: 'tight', level };
    added.push(tight);
    for (const maker of makers) link(maker, tight.id);
    for (const needer of needers) link(tight.id, needer);
  }
}

function oneAtATime(site: Site, effect: Extract<Effect, { form: 'one-at-a-time' }>, link: Linker): void {
  if (!site.livedIn) return;
  const places = site.areas.filter((area) => willHave(area, effect.need) && area.track.length > 0);
  // A place already begun cannot wait, and one that takes nothing from anybody goes next; the others follow from the
  // bottom of the house up.
  const begun = (area: SiteArea): number =>
    area.track.some((step) => step.fraction > 0) ? 0 : area.provides.includes(effect.need) ? 2 : 1;
  places.sort(
    (a, b) => begun(a) - begun(b) || (a.level?.height ?? 0) - (b.level?.height ?? 0) || a.position - b.position,
  );
  places.slice(1).forEach((place, index) => {
    const former = places[index];
    // Punch list, cleaning and hand-over come once for the whole house, and take nothing from anybody.
    const last =
      former?.track.find((step) => step.phase === effect.last) ??
      former?.track.findLast(({ phase }) => !['snags', 'clean', 'hand-over'].includes(phase));
    const first = place.track.find((step) => step.phase === effect.first) ?? place.track[0];
    if (former && last && first) link(taskId(former.id, last.phase), taskId(place.id, first.phase));
  });
}

function jobTask(site: Site, effect: Extract<Effect, { form: 'job-task' }>, link: Linker, added: AddedTask[]): void {
  const pick = (phases: readonly Phase[], first?: true): string[] =>
    site.areas.flatMap((area) => present(area, phases, first).map((phase) => taskId(area.id, phase)));
  const [befores, afters] = [pick(effect.after), pick(effect.before, true)];
  if (effect.where && pick(effect.where).length === 0) return;
  if (afters.length === 0 || (effect.after.length > 0 && befores.length === 0)) return;
  if (effect.task === 'site-setup' && !site.areas.some((area) => area.kind === 'ground')) return;
  const task: AddedTask = { id: jobTaskId(site.id, effect.task), kind: effect.task, frees: afters };
  added.push(task);
  for (const before of befores) link(before, task.id);
  for (const former of effect.follows ?? [])
    if (added.some(({ kind }) => kind === former)) link(jobTaskId(site.id, former), task.id);
  for (const after of afters) link(task.id, after);
}

function exposures(site: Site, effect: Extract<Effect, { form: 'exposure' }>, rule: Rule): Exposure[] {
  return site.areas
    .filter((area) => has(area, effect.from) && has(area, effect.to) && holds(site, rule, taskId(area.id, effect.to)))
    .map((area) => ({
      from: taskId(area.id, effect.from),
      to: taskId(area.id, effect.to),
      most: effect.unless && has(area, effect.unless) ? (effect.mostThen ?? effect.most) : effect.most,
      rule: rule.number,
      reason: rule.reason,
      cure: effect.cure,
      ...(effect.dry ? { dry: true as const } : {}),
    }));
}

/**
 * A track in the order in which the links let it be done, the usual one where they leave the choice: ways of working and
 * orders agreed by hand exchange neighbours, and what follows them keeps its place.
 */
function orderedTrack(area: SiteArea, links: ReadonlyMap<string, Link>): Phase[] {
  const open = new Map<Phase, Set<Phase>>(area.track.map((step) => [step.phase, new Set()]));
  for (const { before, after, strength, kind } of links.values()) {
    const [first, then] = [taskRef(before), taskRef(after)];
    if (
      strength === 'hard' &&
      kind === 'FS' &&
      first.phase &&
      then.phase &&
      first.area === area.id &&
      then.area === area.id
    )
      open.get(then.phase)?.add(first.phase);
  }
  const ordered: Phase[] = [];
  while (open.size > 0) {
    // In a ring nothing is free: it is refused elsewhere, and here the usual order goes on.
    const next = [...open].find(([, waits]) => [...waits].every((phase) => !open.has(phase))) ?? [...open][0];
    if (!next) break;
    open.delete(next[0]);
    ordered.push(next[0]);
  }
  return ordered;
}

/**
 * Neighbours in a track between which no rule speaks follow each other in the usual order. Work that can share a room
 * stands side by side there: all of it after what comes before, and before what comes after.
 */
function usualOrder(site: Site, links: Map<string, Link>): void {
  for (const area of site.areas) {
    const steps: Phase[][] = [];
    for (const phase of orderedTrack(area, links)) {
      const last = steps.at(-1);
      if (last && phaseFacts(phase).shares && last.every((other) => phaseFacts(other).shares)) last.push(phase);
      else steps.push([phase]);
    }
    steps.slice(1).forEach((step, index) => {
      for (const before of steps[index] ?? [])
        for (const after of step) put(links, USUAL_ORDER, taskId(area.id, before), taskId(area.id, after));
    });
  }
}

/** What a walk found still to do comes before the next thing that would cover it, else before the last repairs. */
function leftoversFirst(site: Site, links: Map<string, Link>): void {
  for (const item of site.leftovers) {
    const ahead = site.areas.find((area) => area.id === item.area)?.track.filter((step) => step.fraction === 0) ?? [];
    const next =
      ahead.find((step) => phaseFacts(step.phase).covers || phaseFacts(step.phase).hold === 'close-in') ??
      ahead.find((step) => step.phase === 'snags' || step.phase === 'hand-over' || step.phase === 'strike');
    if (next) put(links, LEFTOVERS, leftoverId(item.id), taskId(item.area, next.phase));
  }
}

/** What comes out, is cut or dug waits until every service there is proved dead, or marked and kept. */
function servicesProved(site: Site, links: Map<string, Link>): void {
  for (const { id, area: where } of site.unproved ?? [])
    for (const area of site.areas.filter((other) => where === null || other.id === where))
      for (const { phase } of area.track) {
        if (PROVES.includes(phase)) put(links, SERVICES, taskId(area.id, phase), proofId(id));
        if (HITS.includes(phase)) put(links, SERVICES, proofId(id), taskId(area.id, phase));
      }
}

/** Added work stands between the step that showed it and the next one there that is not begun. */
function extrasBetween(site: Site, links: Map<string, Link>): void {
  for (const extra of site.extras) {
    const track = site.areas.find((area) => area.id === extra.area)?.track ?? [];
    const at = track.findIndex((step) => step.phase === extra.after);
    const former = track[at];
    if (former) put(links, ADDED_WORK, taskId(extra.area, former.phase), extraId(extra.id), undefined, extra.reason);
    const next = track.slice(at + 1).find((step) => step.fraction === 0);
    if (next) put(links, ADDED_WORK, extraId(extra.id), taskId(extra.area, next.phase), undefined, extra.reason);
    const earlier = site.extras.find(({ id }) => id === extra.follows);
    if (earlier) put(links, ADDED_WORK, extraId(earlier.id), extraId(extra.id), undefined, extra.reason);
  }
}

function put(
  links: Map<string, Link>,
  rule: Rule,
  before: string,
  after: string,
  lag?: Lag,
  reason = rule.reason,
  kind: LinkKind = 'FS',
): void {
  if (before === after) return;
  const key = `${kind} ${before}>${after}`;
  const known = links.get(key);
  const halfDays = lag?.halfDays ?? 0;
  // Two rules may want the same order: what must be goes before what is wished, then the one that holds longer is kept,
  // and the first to say it otherwise.
  if (known?.strength === 'hard' && rule.strength === 'soft') return;
  if (known?.strength === rule.strength && known.lag >= halfDays) return;
  links.set(key, {
    before,
    after,
    kind,
    lag: halfDays,
    lagUnit: lag?.unit ?? 'work',
    strength: rule.strength,
    rule: rule.number,
    reason,
  });
}

const holds = (site: Site, rule: Rule, after: string): boolean => ruleHolds(site, rule, taskRef(after).area);

/** Whether an order agreed by hand parts these two, so that the rules do not put them the other way round. */
function isParted(site: Site, before: string, after: string): boolean {
  const [first, second] = [taskRef(before), taskRef(after)];
  return first.area === second.area && (site.parted?.has(`${second.area}:${first.step}>${second.step}`) ?? false);
}

/** Everything that was set by hand to be reached together, and what must be there first. */
function gatesAndLogistics(site: Site, links: Map<string, Link>): void {
  const known = new Set(site.areas.flatMap((area) => area.track.map((step) => taskId(area.id, step.phase))));
  const there = ({ area, phase }: { area: string; phase: Phase }): string[] =>
    known.has(taskId(area, phase)) ? [taskId(area, phase)] : [];
  for (const gate of site.gates ?? []) {
    const after = gate.after.flatMap(there);
    for (const task of gate.before.flatMap(there)) put(links, GATES, task, gateId(gate.id), undefined, gate.reason);
    for (const task of after) put(links, GATES, gateId(gate.id), task, undefined, gate.reason);
    if (gate.together)
      after.slice(1).forEach((task, index) => put(links, GATES, after[index] ?? task, task, undefined, gate.reason));
  }
  for (const logistic of site.logistics ?? [])
    for (const task of there(logistic))
      put(links, LOGISTICS, logisticId(logistic.id), task, undefined, logistic.reason);
}

/** What came before a step that is done in parts comes before its first; the last part is the step's end. */
function throughParts(site: Site, links: Link[]): Link[] {
  const first = new Map(
    site.areas.flatMap((area) =>
      area.track.flatMap((step) =>
        (step.parts?.length ?? 0) > 1 ? [[taskId(area.id, step.phase), { area: area.id, step }] as const] : [],
      ),
    ),
  );
  if (first.size === 0) return links;
  const moved = links.map((link) => {
    const [after, before] = [first.get(link.after), link.kind === 'SS' ? first.get(link.before) : undefined];
    return {
      ...link,
      ...(after && link.kind !== 'FF' ? { after: partId(after.area, after.step.phase, 1) } : {}),
      ...(before ? { before: partId(before.area, before.step.phase, 1) } : {}),
    };
  });
  for (const [task, { area, step }] of first) {
    const ids = (step.parts ?? []).map((_, index, all) =>
      index === all.length - 1 ? task : partId(area, step.phase, index + 1),
    );
    ids.slice(1).forEach((id, index) =>
      moved.push({
        before: ids[index] ?? id,
        after: id,
        kind: 'FS',
        lag: 0,
        lagUnit: 'work',
        strength: PARTS.strength,
        rule: PARTS.number,
        reason: PARTS.reason,
      }),
    );
  }
  return moved;
}

/** What one effect of a rule asks for. A form that nobody carries out is an error of types. */
function apply(site: Site, rule: Rule, effect: Effect, link: Linker, result: Sequence): void {
  switch (effect.form) {
    case 'order':
      return order(site, effect, link);
    case 'chain':
      return chain(site, effect.phases, link);
    case 'along-fall':
      return alongFall(site, effect, link);
    case 'sections':
      return sections(site, effect, link);
    case 'sheltered':
      return sheltered(site, effect, link, result.added);
    case 'one-at-a-time':
      return oneAtATime(site, effect, link);
    case 'job-task':
      return jobTask(site, effect, link, result.added);
    case 'exposure':
      result.exposures.push(...exposures(site, effect, rule));
      return;
    // These order nothing: they say what is waited for, which of two goes first, and when it is quiet.
    case 'awaited':
    case 'closable':
    case 'prefer':
    case 'quiet-hours':
      return;
    default:
      return effect satisfies never;
  }
}

/**
 * The order of one job's work: every link with the rule and the reason that made it, the exposures to be kept short,
 * and the tasks the rules add. A soft link that would close a ring gives way; a ring of hard ones is left for the
 * caller to refuse (`findLoop`).
 */
export function sequenceOf(site: Site, rules: readonly Rule[] = rulesOf(site)): Sequence {
  const links = new Map<string, Link>();
  const result: Sequence = { links: [], exposures: [], added: [] };
  for (const rule of rules) {
    const link: Linker = (before, after, lag, kind) => {
      const parted = rule.number < SCHOOL && isParted(site, before, after);
      if (!parted && holds(site, rule, after)) put(links, rule, before, after, lag, rule.reason, kind);
    };
    for (const effect of rule.effects) {
      apply(site, rule, effect, link, result);
    }
  }
  for (const own of site.ownLinks) {
    put(
      links,
      OWN_ORDER,
      taskId(own.before.area, own.before.phase),
      taskId(own.after.area, own.after.phase),
      undefined,
      own.reason,
    );
  }
  gatesAndLogistics(site, links);
  for (const { before, after, why } of guardsOf(site, links.values())) put(links, NEVER, before, after, undefined, why);
  usualOrder(site, links);
  servicesProved(site, links);
  leftoversFirst(site, links);
  extrasBetween(site, links);
  result.links = throughParts(site, withoutSoftLoops(site, result, [...links.values()]));
  return result;
}

const firmness = ({ rule }: Link): number => (rule === USUAL_ORDER.number ? 0 : SAVES.includes(rule) ? 1 : 2);

function withoutSoftLoops(site: Site, { added }: Sequence, links: Link[]): Link[] {
  const ids = [
    ...site.areas.flatMap((area) => area.track.map((step) => taskId(area.id, step.phase))),
    ...added.map((task) => task.id),
    ...site.leftovers.map((item) => leftoverId(item.id)),
    ...site.extras.map((extra) => extraId(extra.id)),
    ...(site.unproved ?? []).map(({ id }) => proofId(id)),
    ...(site.gates ?? []).map((gate) => gateId(gate.id)),
    ...(site.logistics ?? []).map((logistic) => logisticId(logistic.id)),
  ];
  let kept = links;
  for (let loop = findLoop(ids, kept); loop; loop = findLoop(ids, kept)) {
    const ring = loop;
    const inRing = (link: Link): boolean =>
      ring[(ring.indexOf(link.before) + 1) % ring.length] === link.after && ring.includes(link.before);
    // The usual order gives way first, then what saves money, then what the household was told.
    const weakest = kept
      .filter((link) => link.strength === 'soft' && inRing(link))
      .sort((a, b) => firmness(a) - firmness(b) || a.rule - b.rule)[0];
    if (!weakest) break;
    kept = kept.filter((link) => link !== weakest);
  }
  return kept;
}
