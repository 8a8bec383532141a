import type { HouseholdNeed } from '@/core/sites/household-needs';
import type { TaxShown } from '@/core/money/price';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { Work } from '@/core/sequence/works';
import type { AreaKind, JobState } from '@/core/sites/area';
import type { JobHead, PersonView } from './job';

export interface SubView {
  id: string;
  version: number;
  name: string;
  trade: Trade;
  /** Trades they do besides. */
  also: Trade[];
  crews: number;
  leadName: string;
  email: string;
  phone: string;
  away: { firstDay: Day; lastDay: Day }[];
  /** Open pieces of work in the plan. */
  works: number;
}

export interface FirmView {
  name: string;
  town: string;
  zone: string;
  today: Day;
  /** `16:20`, by the firm's zone. */
  time: string;
  people: (PersonView & { email: string | null; phone: string })[];
  subs: SubView[];
  holidays: { day: Day; name: string }[];
  /** Days of a month that are usually wet, windy, frosty; months of which somebody has said so. */
  normals: { month: number; name: string; wet: number; windy: number; frosty: number }[];
  /** Jobs that were set up by mistake and can be brought back. */
  removed: { id: string; name: string }[];
  /** Jobs that stand here, closed ones too. */
  jobs: { id: string; name: string }[];
  money: { currency: string; markup: number; taxRate: number; taxShown: TaxShown; tripCost: number | null };
  /** What an hour of each trade costs, where somebody has said. */
  hours: { trade: Trade; perHour: number }[];
  /** Trades that open work needs and no sub does. */
  missing: Trade[];
}

/** An area as it was set out, with all that can be changed of it. */
export interface PlacedArea {
  id: string;
  version: number;
  name: string;
  kind: AreaKind;
  level: string | null;
  levelName: string | null;
  works: Work[];
  size: number;
  livedIn: boolean;
  passage: boolean;
  called: string;
  /** What the household has there. */
  provides: HouseholdNeed[];
  /** Areas on the other side of its walls, and those to which the wall comes out. */
  beside: string[];
  opensTo: string[];
}

export interface AreasView {
  job: JobHead;
  details: {
    version: number;
    name: string;
    address: string;
    client: string;
    clientEmail: string;
    units: 'metric' | 'imperial';
    state: JobState;
    startDay: Day;
    promiseDay: Day | null;
    livedIn: boolean;
    loudHalf: 'morning' | 'afternoon' | null;
  };
  levels: { id: string; name: string; height: number }[];
  areas: PlacedArea[];
}
