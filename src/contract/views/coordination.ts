import type { InspectionKind } from '@/core/sequence/inspections';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';

/** An inspection as a step of an area's work. */
interface InspectedStep {
  job: string;
  jobName: string;
  area: string;
  areaName: string;
  phase: Phase;
  label: string;
}

export interface InspectionView extends InspectedStep {
  id: string;
  version: number;
  office: string;
  when: string;
  state: 'booked' | 'passed' | 'failed' | 'cancelled';
  words: string;
  /** Its day has come: before it nobody can have looked. */
  due: boolean;
  /** Who passed or failed it. */
  by: string;
  /** Until when a page of it opens for its office. */
  pageUntil: Day;
  /** Why the plan cannot keep the booked day; null where it can. */
  unkept: string | null;
}

/** Inspections that the plan comes to and nobody has booked. */
export interface UnbookedView extends InspectedStep {
  /** Other rooms of the job that are ready the same day: one visit looks at all. */
  also: { area: string; areaName: string }[];
  office: string | null;
  /** When the work would be ready for it, and the last day to ask. */
  ready: Day;
  askBy: Day;
  late: boolean;
}

export interface OfficeView {
  id: string;
  version: number;
  name: string;
  phone: string;
  email: string;
  phases: Phase[];
  /** Of what is looked at before walls are closed, which of it; none named is all. */
  kinds: InspectionKind[];
  weekdays: number[];
  noticeDays: number;
  visitsADay: number;
}

interface WeatherDayView {
  day: Day;
  halves: { half: 0 | 1; rain: number; wind: number; low: number; forbids: string[] }[];
}

export interface CoordinationView {
  today: Day;
  inspections: InspectionView[];
  unbooked: UnbookedView[];
  offices: OfficeView[];
  outlook: WeatherDayView[];
  saidAt: string | null;
  normals: { month: string; wet: number; windy: number; frosty: number }[];
  /** Outdoor work after the outlook, by month, with the half-days that usual weather would take. */
  expected: { month: string; halfDays: number; lost: number }[];
  /** Outdoor work in the outlook that the weather moved. */
  kept: { task: string; label: string; job: string; jobName: string; text: string }[];
  plant: {
    id: string;
    version: number;
    name: string;
    units: number;
    phases: Phase[];
    down: { id: string; firstDay: Day; lastDay: Day; units: number; reason: string }[];
    uses: number;
  }[];
  subs: {
    id: string;
    name: string;
    trade: Trade;
    busy: number;
    source: { name: string; events: number; when: string } | null;
  }[];
  feeds: { id: string; kind: 'job' | 'sub' | 'person'; name: string; path: string; madeAt: string }[];
  targets: { kind: 'job' | 'sub' | 'person'; id: string; name: string }[];
  tripWeight: number;
  moveWeight: number;
  frozenDays: number;
  jobs: { id: string; name: string; weight: number }[];
}
