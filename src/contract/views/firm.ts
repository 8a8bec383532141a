import type { DateLanguage } from '@/core/units/date-languages';
import type { AccountRole } from '../command';
import type { HouseholdNeed } from '@/core/sites/household-needs';
import type { TaxShown } from '@/core/money/price';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { Work } from '@/core/sequence/works';
import type { AreaKind, JobState } from '@/core/sites/area';
import type { Draft } from '@/core/sites/draft-area';
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

export interface FirmPerson extends Pick<PersonView, 'id' | 'name'> {
  version: number;
  role: AccountRole;
  /** Whose work they see, where they are of a sub; empty otherwise. */
  sub: string;
  email: string | null;
  phone: string;
  state: 'active' | 'suspended' | 'closed';
  /** The jobs that they see; all of them where it is null. */
  jobs: string[] | null;
  /** Whether they see what things cost. */
  prices: boolean;
  /** They have chosen a password. */
  joined: boolean;
  /** In how many browsers they are signed in, and when one of them was seen last. */
  sessions: number;
  seen: string;
  /** The address of their invitation while it is open; for whoever runs the firm. */
  invitation: string | null;
}

/** One's own account. */
export interface AccountView {
  name: string;
  email: string | null;
  /** The demo has no passwords. */
  demo: boolean;
  codes: boolean;
  sessions: { id: string; device: string; source: string; seen: string; here: boolean }[];
}

export interface FirmView {
  name: string;
  town: string;
  zone: string;
  today: Day;
  /** `16:20`, by the firm's zone. */
  time: string;
  /** In whose words it writes its days, and how many hours its clock counts. */
  dates: DateLanguage;
  clockHours: 12 | 24;
  people: FirmPerson[];
  /** What happened at the door, the newest first; for whoever runs the firm. */
  door: { key: number; when: string; who: string; how: string; from: string; bad: boolean }[];
  subs: SubView[];
  /** Trades in which only people with a licence may work here, and the licences that are on record. */
  licensed: Trade[];
  licences: {
    id: string;
    version: number;
    /** Empty where it is of the firm's own people. */
    sub: string;
    of: string;
    trade: Trade;
    holder: string;
    number: string;
    expiresOn: Day | null;
    over: boolean;
  }[];
  /** What goes out without anybody pressing. */
  rules: {
    tellHour: number | null;
    tellSoon: boolean;
    remindSubDays: number | null;
    remindClientDays: number | null;
  };
  holidays: { day: Day; name: string }[];
  /** What is let go after so many months; kept where it is null. */
  retention: { recordings: number | null; origins: number | null; neighbours: number | null };
  /** Who was taken out of everything, for whoever runs the firm. */
  erasures: { id: number; when: string; standIn: string; times: number; still: number }[];
  /** For whoever runs the firm; a made-up one is made anew. */
  machine: MachineView | null;
  /** Days of a month that are usually wet, windy, frosty; months of which somebody has said so. */
  normals: { month: number; name: string; wet: number; windy: number; frosty: number }[];
  /** Jobs that were set up by mistake and can be brought back. */
  removed: { id: string; name: string }[];
  /** Jobs that are over, the newest first. */
  closed: { id: string; name: string }[];
  /** Jobs that stand here, closed ones too. */
  jobs: { id: string; name: string }[];
  /** For contractor and office alone. */
  money: { currency: string; markup: number; taxRate: number; taxShown: TaxShown; tripCost: number | null } | null;
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
    gettingIn: string;
  };
  levels: { id: string; name: string; height: number }[];
  areas: PlacedArea[];
  /** The newest other jobs, as patterns to set out by. */
  earlier: (Draft & { key: string; label: string })[];
}

/** What the firm is kept on. */
export interface MachineView {
  /** The newest backup: when, how large, where; null where there is none. */
  backup: { when: string; megabytes: number; file: string; old: boolean } | null;
  /** Whether one is made each night. */
  nightly: boolean;
  /** What it takes and what is left, as people say it. */
  room: { taken: string; free: string; low: boolean };
  /** What the machine's clock shows and when the newest record was kept, where the one is before the other. */
  clock: { shows: string; latest: string } | null;
}
