import type { Quiet } from './quiet';
import type { AreaId, JobId, TaskId } from '../ids';
import type { AreaKind } from '../sites/area';
import type { Day } from '../units/day';
import { isPhase, type Phase } from './phases';
import type { JobTask, Rule } from './rules';
import type { Trade } from './trades';

/** What the sequence needs to know of a job: its areas with their tracks and how they touch each other. */
export interface Site {
  id: JobId;
  name: string;
  /** First day on which work may start. */
  startDay: Day;
  /** The day that was promised to the client; undefined while none was. */
  promise?: Day;
  /** Whether the household stays during the work. */
  livedIn: boolean;
  /** The half of the day in which loud work was announced to the neighbours; undefined when both are. */
  loudHalf?: 'morning' | 'afternoon';
  /** Times of quiet; none unless said. */
  quiet?: readonly Quiet[];
  areas: SiteArea[];
  /** Orders agreed for this job alone, on top of the rules. */
  ownLinks: OwnLink[];
  /** Open items of walks: work to be done before what covers it. */
  leftovers: Leftover[];
  /** Work that no track has: what an assumption that turned out wrong brings, what a change adds. */
  extras: ExtraWork[];
  /** The rules that count here, those of the firm and of methods among them; those that ship unless said. */
  rules?: readonly Rule[];
  /** Where rules are switched: by number, for the job or by area; the narrower word counts. */
  switches?: readonly { rule: number; area?: AreaId; holds: boolean }[];
  /** Neighbours that a method parts, by area: `area:before>after`. */
  parted?: ReadonlySet<string>;
  /** Services found in the way of the work of which nobody has proved that they are dead, or kept. */
  unproved?: readonly Unproved[];
  /** Tasks of the whole job that somebody has said are done. */
  settled?: ReadonlySet<JobTask>;
  gates?: readonly Gate[];
  logistics?: readonly Logistic[];
}

/** All of one kind of end before, all of the other after. */
export interface Gate {
  id: string;
  label: string;
  reason: string;
  before: { area: AreaId; phase: Phase }[];
  after: { area: AreaId; phase: Phase }[];
  /** Those after it follow one another in this order: one visit of their trade. */
  together: boolean;
}

/** Something that must be there before a step: ordered or booked, or there already. */
export interface Logistic {
  id: string;
  label: string;
  reason: string;
  area: AreaId;
  phase: Phase;
  here: boolean;
}

/** A service that may be live: nothing is torn out, cut or dug there before somebody has proved or marked it. */
export interface Unproved {
  id: string;
  version: number;
  /** Where it was found; the whole job where that was not said. */
  area: AreaId | null;
  text: string;
}

/** Work added to an area after one of its steps (before its first, where none is named), with why. */
export interface ExtraWork {
  id: string;
  area: AreaId;
  text: string;
  trade: Trade;
  halfDays: number;
  after: Phase | null;
  /** The added work that comes before it; what is done by now is none. */
  follows?: string | null;
  reason: string;
}

/** Remaining work that a walk recorded, as a task of its own. */
export interface Leftover {
  id: string;
  area: AreaId;
  text: string;
  trade: Trade;
}

export interface SiteArea {
  id: AreaId;
  name: string;
  kind: AreaKind;
  /** Storey and its height counted from the entrance; outside areas have none. */
  level?: { id: string; height: number; name: string };
  /** Place along the way in, and for drains along the fall: 0 is nearest the way out, or lowest. */
  position: number;
  /** Everybody has to come through here (hall, landing). */
  passage: boolean;
  /** Household services that stand here: only `toilet` and the like of what people live with. */
  provides: string[];
  /** The same, of what is there only once the work is done. */
  brings?: string[];
  /** Areas on the other side of a shared wall, both ways round. */
  beside: AreaId[];
  /** Those of them to which the wall comes out, where somebody has said so. */
  opensTo?: AreaId[];
  /** Levels that a face or roof keeps dry. */
  shelters: string[];
  track: TrackStep[];
}

/** Whether a household has it in an area, now or once the work there is done. */
export const willHave = ({ provides, brings }: SiteArea, need: string): boolean =>
  provides.includes(need) || (brings?.includes(need) ?? false);

/** One phase of one area, with what is known of it. */
export interface TrackStep {
  phase: Phase;
  trade: Trade;
  /** Planned half-days of one crew. */
  halfDays: number;
  /** 0…1, from the newest observation. */
  fraction: number;
  /** When it was last seen to move: the half-day that ends it, where fraction is 1. */
  seen?: { day: Day; half: 0 | 1 };
  /** Half-days still to do, where walks have shown a rate; else from the fraction alone. */
  remaining: number;
  /** Crews at once; one unless said. */
  crews?: number;
  /** Done by somebody whom we wait for and do not command. */
  others?: string;
  /** Done in parts, one after the other, in half-days of the whole. */
  parts?: readonly { label: string; halfDays: number }[];
  /** The plant it needs. */
  plant?: string;
  /** The calendar of those who come to look: an inspection office. */
  office?: string;
}

export interface OwnLink {
  id: string;
  before: { area: AreaId; phase: Phase };
  after: { area: AreaId; phase: Phase };
  reason: string;
}

export const taskId = (area: AreaId, phase: Phase): TaskId => `${area}:${phase}`;
/** A part of a step that is not its last. */
export const partId = (area: AreaId, phase: Phase, part: number): TaskId => `${area}:${phase}~${part}`;
/** A task of the whole job that rules bring. */
export const jobTaskId = (job: JobId, task: string): TaskId => `${job}:${task}`;
export const gateId = (id: string): TaskId => `gate:${id}`;
export const logisticId = (id: string): TaskId => `there:${id}`;
export const extraId = (id: string): TaskId => `extra:${id}`;
/** The proof that a service found there is dead, or marked and kept. */
export const proofId = (finding: string): TaskId => `proof:${finding}`;
export const leftoverId = (observation: string): TaskId => `item:${observation}`;

/** What the id of a task says. */
export interface TaskRef {
  kind: 'step' | 'gate' | 'logistic' | 'extra' | 'leftover' | 'proof';
  /** The area of a step; for all others the word in front. */
  area: AreaId;
  /** What stands behind the area: the phase of a step with its part, or an id. */
  step: string;
  phase?: Phase;
  /** From 1, where a step is done in parts; its last part has none. */
  part?: number;
}

const OTHERS: Readonly<Record<string, TaskRef['kind']>> = {
  gate: 'gate',
  there: 'logistic',
  extra: 'extra',
  item: 'leftover',
  proof: 'proof',
};

/** The one reader of ids of tasks, as the functions above write them. */
export function taskRef(id: TaskId): TaskRef {
  const colon = id.lastIndexOf(':');
  const [area, step] = [id.slice(0, colon), id.slice(colon + 1)];
  const kind = OTHERS[area] ?? 'step';
  if (kind !== 'step') return { kind, area, step };
  const [phase = '', part] = step.split('~');
  return {
    kind,
    area,
    step,
    ...(isPhase(phase) ? { phase } : {}),
    ...(part === undefined ? {} : { part: Number(part) }),
  };
}
