import type { TaskId } from '../ids';
import { FULL_OCCUPANCY, type Task } from '../schedule/network';
import { forbidsOf } from '../schedule/weather';
import type { WorkName } from '../schedule/work-name';
import type { Day } from '../units/day';
import { slotOf, type Slot } from '../units/slot';
import { ALWAYS, jobCalendar, officeCalendar, quietOf } from './calendars';
import { quietFor } from './quiet';
import { plantCrew } from './crews';
import type { AddedTask } from './links';
import { phaseFacts } from './phases';
import { rankOf } from './preference';
import type { JobTask } from './rules';
import { ruleHolds, rulesOf } from './switches';
import {
  extraId,
  gateId,
  leftoverId,
  logisticId,
  partId,
  proofId,
  taskId,
  type ExtraWork,
  type Gate,
  type Leftover,
  type Logistic,
  type Site,
  type SiteArea,
  type TrackStep,
  type Unproved,
} from './site';
import type { Trade } from './trades';

export interface TaskTerms {
  origin: Day;
  /** The half-day before which nothing that remains can start: the plan's now, or the walk that saw it. */
  now: Slot;
  /** Who does a piece of work of a trade at this job. */
  crewFor: (trade: Trade, task: TaskId) => string | null;
}

/** The tasks of a job from its tracks, with what walks have seen of them, and those the rules added. */
export function tasksOf(site: Site, added: readonly AddedTask[], terms: TaskTerms): Task[] {
  const earliest = Math.max(terms.now, slotOf(terms.origin, site.startDay));
  const begun = site.areas.some((area) => area.track.some((step) => step.fraction > 0));
  return [
    ...site.areas.flatMap((area) => area.track.flatMap((step) => trackTasks(site, area, step, terms, earliest))),
    ...site.leftovers.map((item) => leftoverTask(site, item, terms, earliest)),
    ...site.extras.map((extra) => extraTask(site, extra, terms, earliest)),
    ...(site.unproved ?? []).map((service) => proofTask(site, service, earliest)),
    ...(site.gates ?? []).map((gate) => gateTask(site, gate, earliest)),
    ...(site.logistics ?? []).map((logistic) => logisticTask(site, logistic, terms)),
    ...added.map((task) => addedTask(site, task, begun, earliest, terms)),
  ];
}

/** A step as a task, or as one for every part it is done in. */
function trackTasks(site: Site, area: SiteArea, step: TrackStep, terms: TaskTerms, earliest: Slot): Task[] {
  const whole = trackTask(site, area, step, terms, earliest);
  const parts = step.parts ?? [];
  if (parts.length < 2 || whole.state === 'done') return [whole];
  // What is done was done from the front: parts are used up in their order.
  const total = parts.reduce((sum, part) => sum + part.halfDays, 0);
  let done = Math.max(0, total - whole.duration);
  return parts.map((part, index) => {
    const used = Math.min(part.halfDays, done);
    done -= used;
    const left = index === parts.length - 1 ? Math.max(1, part.halfDays - used) : part.halfDays - used;
    const state =
      left === 0
        ? ('done' as const)
        : used > 0 && whole.state === 'under-way'
          ? ('under-way' as const)
          : ('waiting' as const);
    return {
      ...whole,
      id: index === parts.length - 1 ? whole.id : partId(area.id, step.phase, index + 1),
      work: { ...stepName(area, step), part: part.label },
      duration: left,
      state,
      floor: state === 'done' ? terms.now : state === 'under-way' ? terms.now : earliest,
    };
  });
}

function trackTask(site: Site, area: SiteArea, step: TrackStep, terms: TaskTerms, earliest: Slot): Task {
  const facts = phaseFacts(step.phase);
  const state = step.fraction >= 1 ? 'done' : step.fraction > 0 ? 'under-way' : 'waiting';
  const seen = step.seen ? slotOf(terms.origin, step.seen.day, step.seen.half) + 1 : terms.now;
  const crews = step.crews ?? 1;
  const task: Task = {
    id: taskId(area.id, step.phase),
    job: site.id,
    area: area.id,
    phase: step.phase,
    work: stepName(area, step),
    trade: step.trade,
    crew: step.trade === 'nobody' || step.others ? null : terms.crewFor(step.trade, taskId(area.id, step.phase)),
    duration: state === 'done' ? 0 : Math.max(1, Math.ceil(step.remaining / crews)),
    shares: facts.shares ? FULL_OCCUPANCY / 2 : FULL_OCCUPANCY,
    state,
    floor: state === 'done' ? Math.min(seen, terms.now) : state === 'under-way' ? terms.now : earliest,
    calendar: calendarOf(site, area, step),
    rank: rankOf(
      area,
      step.phase,
      (site.switches?.length ?? 0) === 0
        ? rulesOf(site)
        : rulesOf(site).filter((rule) => ruleHolds(site, rule, area.id)),
    ),
  };
  if (crews > 1 && !step.others) task.crews = crews;
  else if (facts.crew !== undefined && task.crew !== null) task.crews = facts.crew;
  if (step.plant && !step.others) task.plant = plantCrew(step.plant);
  return task;
}

function calendarOf(site: Site, area: SiteArea, step: TrackStep): string {
  const facts = phaseFacts(step.phase);
  if (step.office) return officeCalendar(step.office);
  if (facts.elapsed) return ALWAYS;
  const quiet =
    facts.loud &&
    site.loudHalf &&
    rulesOf(site).some((rule) => rule.effects.some((effect) => effect.form === 'quiet-hours') && ruleHolds(site, rule));
  const loud = facts.loud === true;
  const asked = quietFor(site.quiet ?? [], area.id, loud).length > 0;
  return jobCalendar(
    site.id,
    ...(quiet ? ['loud' as const] : []),
    ...(asked ? [quietOf(area.id, loud)] : []),
    ...forbidsOf(step.phase),
  );
}

/** A leftover is half a day of its trade: getting there is most of it. */
const leftoverTask = (site: Site, item: Leftover, terms: TaskTerms, earliest: Slot): Task =>
  besideTrack(site, { ...item, halfDays: 1 }, leftoverId(item.id), FULL_OCCUPANCY / 2, terms, earliest);

/** Added work takes the room for itself. */
const extraTask = (site: Site, extra: ExtraWork, terms: TaskTerms, earliest: Slot): Task =>
  besideTrack(site, extra, extraId(extra.id), FULL_OCCUPANCY, terms, earliest);

/** Work in an area that is none of its track's steps. */
function besideTrack(
  site: Site,
  work: { area: string; text: string; trade: Trade; halfDays: number },
  id: string,
  shares: number,
  terms: TaskTerms,
  earliest: Slot,
): Task {
  const area = site.areas.find((room) => room.id === work.area);
  return {
    id,
    job: site.id,
    area: work.area,
    phase: null,
    work: { kind: 'beside', area: area?.name ?? '', text: work.text },
    trade: work.trade,
    crew: work.trade === 'nobody' ? null : terms.crewFor(work.trade, id),
    duration: work.halfDays,
    shares,
    state: 'waiting',
    floor: earliest,
    calendar: jobCalendar(site.id),
    rank: 0,
  };
}

/** Whoever is licensed for a service proves it, or marks it, in half a day; whose trade it is nobody knows beforehand. */
const proofTask = (site: Site, { id, area, text }: Unproved, earliest: Slot): Task => ({
  id: proofId(id),
  job: site.id,
  area: null,
  phase: null,
  work: { kind: 'proof', area: site.areas.find((room) => room.id === area)?.name ?? '', text },
  trade: 'nobody',
  crew: null,
  duration: 1,
  shares: 0,
  state: 'waiting',
  floor: earliest,
  calendar: jobCalendar(site.id),
  rank: 0,
});

/** A gate or milestone takes no time and nobody. */
const gateTask = (site: Site, gate: Gate, earliest: Slot): Task => ({
  id: gateId(gate.id),
  job: site.id,
  area: null,
  phase: null,
  work: { kind: 'called', text: gate.label },
  trade: 'nobody',
  crew: null,
  duration: 0,
  shares: 0,
  state: 'waiting',
  floor: earliest,
  calendar: jobCalendar(site.id),
  rank: 0,
});

/** What has to be there takes the half-day on which it comes. */
const logisticTask = (site: Site, logistic: Logistic, terms: TaskTerms): Task => ({
  id: logisticId(logistic.id),
  job: site.id,
  area: null,
  phase: null,
  work: { kind: 'called', text: logistic.label },
  trade: 'nobody',
  crew: null,
  duration: logistic.here ? 0 : 1,
  shares: 0,
  state: logistic.here ? 'done' : 'waiting',
  floor: logistic.here ? Math.min(0, terms.now) : terms.now,
  calendar: jobCalendar(site.id),
  rank: 0,
});

const addedName = (site: Site, { kind, level }: AddedTask): WorkName =>
  kind === 'tight' ? { kind, level: site.areas.find((area) => area.level?.id === level)?.level?.name ?? '' } : { kind };

const stepName = (area: SiteArea, { phase, others }: TrackStep): WorkName & { kind: 'step' } =>
  others ? { kind: 'step', area: area.name, phase, others } : { kind: 'step', area: area.name, phase };

/** Who does a task of the whole job; nobody where it is a moment or somebody else comes. */
const DOES: Partial<Record<AddedTask['kind'], Trade>> = {
  'site-setup': 'ground',
  'dust-doors': 'tear-out',
  alarms: 'wiring',
  'start-up': 'air',
};
const MOMENTS: readonly AddedTask['kind'][] = ['tight', 'finished'];

function addedTask(site: Site, added: AddedTask, begun: boolean, earliest: Slot, terms: TaskTerms): Task {
  const trade = DOES[added.kind] ?? 'nobody';
  const done = isDone(site, added, begun);
  return {
    id: added.id,
    job: site.id,
    area: null,
    phase: null,
    work: addedName(site, added),
    trade,
    crew: trade === 'nobody' ? null : terms.crewFor(trade, added.id),
    duration: MOMENTS.includes(added.kind) || done ? 0 : 1,
    shares: 0,
    state: done ? 'done' : 'waiting',
    // The day it happened no longer matters.
    floor: done ? Math.min(0, slotOf(terms.origin, site.startDay)) : earliest,
    calendar: jobCalendar(site.id),
    rank: 0,
  };
}

/** Whoever works on a site has set it up; whoever has torn out stands behind dust doors; rooms that are taken over were ready. */
function isDone(site: Site, { kind, frees }: AddedTask, begun: boolean): boolean {
  if (site.settled?.has(kind as JobTask)) return true;
  if (kind === 'site-setup') return begun;
  if (!frees || frees.length === 0) return false;
  const fraction = new Map(
    site.areas.flatMap((area) => area.track.map((step) => [taskId(area.id, step.phase), step.fraction] as const)),
  );
  return kind === 'dust-doors'
    ? frees.some((task) => (fraction.get(task) ?? 0) > 0)
    : frees.every((task) => (fraction.get(task) ?? 0) >= 1);
}
