import { AREA_SHARES, type Task } from '../schedule/network';
import type { Day } from '../units/day';
import { slotOf, type Slot } from '../units/slot';
import type { AddedTask } from './links';
import { phaseFacts } from './phases';
import { rankOf } from './preference';
import { RULES } from './rules';
import { extraId, leftoverId, taskId, type ExtraWork, type Leftover, type Site, type SiteArea, type TrackStep } from './site';
import type { Trade } from './trades';

/** Calendar of what needs no worked day: concrete cures on Sundays. */
export const ALWAYS = 'always';
/** The job's calendar, and the one its loud work keeps to. */
export const jobCalendar = (job: string): string => `job:${job}`;
export const loudCalendar = (job: string): string => `job:${job}:loud`;

export interface TaskTerms {
  origin: Day;
  /** The half-day before which nothing that remains can start: the plan's now, or the walk that saw it. */
  now: Slot;
  /** Who does a trade at this job. */
  crewFor: (trade: Trade) => string | null;
}

/** The tasks of a job from its tracks, with what walks have seen of them, and those the rules added. */
export function tasksOf(site: Site, added: readonly AddedTask[], terms: TaskTerms): Task[] {
  const earliest = Math.max(terms.now, slotOf(terms.origin, site.startDay));
  const begun = site.areas.some((area) => area.track.some((step) => step.fraction > 0));
  return [
    ...site.areas.flatMap((area) => area.track.map((step) => trackTask(site, area, step, terms, earliest))),
    ...site.leftovers.map((item) => leftoverTask(site, item, terms, earliest)),
    ...site.extras.map((extra) => extraTask(site, extra, terms, earliest)),
    ...added.map((task) => addedTask(site, task, begun, earliest, terms)),
  ];
}

function trackTask(site: Site, area: SiteArea, step: TrackStep, terms: TaskTerms, earliest: Slot): Task {
  const facts = phaseFacts(step.phase);
  const state = step.fraction >= 1 ? 'done' : step.fraction > 0 ? 'under-way' : 'waiting';
  const seen = step.seen ? slotOf(terms.origin, step.seen.day, step.seen.half) + 1 : terms.now;
  return {
    id: taskId(area.id, step.phase),
    job: site.id,
    area: area.id,
    phase: step.phase,
    label: `${area.name} · ${facts.label}`,
    trade: step.trade,
    crew: step.trade === 'nobody' ? null : terms.crewFor(step.trade),
    duration: state === 'done' ? 0 : Math.max(1, step.remaining),
    shares: facts.shares ? AREA_SHARES / 2 : AREA_SHARES,
    state,
    floor: state === 'done' ? Math.min(seen, terms.now) : state === 'under-way' ? terms.now : earliest,
    calendar: facts.elapsed ? ALWAYS : facts.loud && site.loudHalf && QUIET_HOURS_KEPT ? loudCalendar(site.id) : jobCalendar(site.id),
    rank: rankOf(area, step.phase),
  };
}

/** A leftover is half a day of its trade: getting there is most of it. */
const leftoverTask = (site: Site, item: Leftover, terms: TaskTerms, earliest: Slot): Task => besideTrack(site, { ...item, halfDays: 1 }, leftoverId(item.id), AREA_SHARES / 2, terms, earliest);

/** Added work takes the room for itself. */
const extraTask = (site: Site, extra: ExtraWork, terms: TaskTerms, earliest: Slot): Task => besideTrack(site, extra, extraId(extra.id), AREA_SHARES, terms, earliest);

/** Work in an area that is none of its track's steps. */
function besideTrack(site: Site, work: { area: string; text: string; trade: Trade; halfDays: number }, id: string, shares: number, terms: TaskTerms, earliest: Slot): Task {
  const area = site.areas.find((one) => one.id === work.area);
  return {
    id, job: site.id, area: work.area, phase: null, label: `${area?.name ?? ''} · ${work.text}`, trade: work.trade, crew: work.trade === 'nobody' ? null : terms.crewFor(work.trade),
    duration: work.halfDays, shares, state: 'waiting', floor: earliest, calendar: jobCalendar(site.id), rank: 0,
  };
}

const QUIET_HOURS_KEPT = RULES.some((rule) => rule.effects.some((effect) => effect.form === 'quiet-hours'));

const ADDED_LABEL = { 'site-setup': 'Site set-up', 'final-inspection': 'Final inspection', tight: 'weather-tight' } as const;

function labelOf(site: Site, { kind, level }: AddedTask): string {
  const storey = site.areas.find((area) => area.level?.id === level)?.level?.name;
  return storey ? `${storey} · ${ADDED_LABEL[kind]}` : ADDED_LABEL[kind];
}

function addedTask(site: Site, added: AddedTask, begun: boolean, earliest: Slot, terms: TaskTerms): Task {
  const setUp = added.kind === 'site-setup';
  const done = setUp && begun;
  return {
    id: added.id,
    job: site.id,
    area: null,
    phase: null,
    label: labelOf(site, added),
    trade: setUp ? 'ground' : 'nobody',
    crew: setUp ? terms.crewFor('ground') : null,
    duration: added.kind === 'tight' || done ? 0 : 1,
    shares: 0,
    state: done ? 'done' : 'waiting',
    // Whoever works on a site has set it up; the day it happened no longer matters.
    floor: done ? Math.min(0, slotOf(terms.origin, site.startDay)) : earliest,
    calendar: jobCalendar(site.id),
    rank: 0,
  };
}
