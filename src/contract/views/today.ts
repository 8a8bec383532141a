import type { Path } from '../routes';
import type { Day } from '@/core/units/day';
import type { HoldView } from './job';
import type { PlanProblem } from './plan';
import type { DoneWord } from './news';

/** A room of a small section: how far it is (null where nothing is to be done), and what holds it. */
export interface SmallRoom {
  id: string;
  share: number | null;
  held: 'stop' | 'will-stop' | null;
}

/** A house cut through, small: storeys from the highest down, cellars last. */
export interface SmallSection {
  storeys: { below: boolean; rooms: SmallRoom[] }[];
  roofs: SmallRoom[];
  /** Outside faces; half of them stand at the left. */
  faces: SmallRoom[];
  outbuildings: SmallRoom[];
  ground: SmallRoom[];
}

/** The one thing that stops a job: the worst, or what stops it first. */
export interface Stopper {
  mark: 'stop' | 'will-stop';
  /** `Stops work now`, `Will stop on Thu 11 Mar`. */
  when: string;
  area: string;
  text: string;
  href: string;
}

export interface TodayHouse {
  job: string;
  name: string;
  /** 0…1 of the work. */
  done: number;
  finish: Day | null;
  promise: Day | null;
  /** By how many days it ends after the promise; below 0 what is to spare. Null without a plan or a promise. */
  late: number | null;
  /** Why it does not end sooner, where it ends late. */
  because: string | null;
  /** How sure the end is: of the visits that are still to come, those that somebody said yes to. */
  sure: { confirmed: number; visits: number };
  section: SmallSection;
  stopper: Stopper | null;
}

export interface DayOutlook {
  day: Day;
  label: string;
  /** The wettest, windiest and coldest half of the day. */
  rain: number;
  wind: number;
  low: number;
}

/** A step of the way from an empty house to its first news; `href` is null while it cannot be taken yet. */
export interface FirstStep {
  text: string;
  done: boolean;
  href: string | null;
}

export interface TodayView {
  /** Null once the first news went out. */
  firstHour: FirstStep[] | null;
  today: Day;
  weekday: string;
  sites: {
    job: string;
    name: string;
    address: string;
    why: string[];
    walked: string;
    openWalk: string | null;
    urgent: boolean;
    /** `07:30` by the day's route; null where none is made for today. */
    arrives: string | null;
  }[];
  onSite: { job: string; name: string; morning: string[]; afternoon: string[] }[];
  holds: (HoldView & { job: string; jobName: string })[];
  orders: {
    job: string;
    jobName: string;
    selection: string;
    category: string;
    area: string;
    what: 'decide' | 'order' | 'arrive';
    day: Day;
    late: boolean;
  }[];
  /** Approvals, answers and drawings to ask for, or to ask after. */
  requests: {
    job: string;
    jobName: string;
    request: string;
    text: string;
    what: 'send' | 'answer' | 'remind';
    day: Day;
    late: boolean;
  }[];
  /** Inspections to be booked and things to be asked for, so that the work does not wait for them. */
  /** `phone` is empty where nobody has written one down. */
  calls: {
    key: string;
    text: string;
    job: string;
    jobName: string;
    href: string;
    day: Day;
    late: boolean;
    phone: string;
  }[];
  /** What has to be bought, over all sites. */
  run: { open: number };
  /** Visits on another day than people go by, the promises among them that cannot be kept, and who has to be told. */
  moved: { visits: number; conflicts: number; people: string[] };
  /** Jobs whose readers have something to be told, and those of which a message did not arrive. */
  drafts: { job: string; jobName: string; count: number }[];
  failed: { job: string; jobName: string; to: string[] }[];
  /** What was asked on pages that people were given and nobody has answered. */
  questions: { id: string; job: string; jobName: string; name: string; text: string; when: string }[];
  /** What subs say is done. */
  doneWords: (DoneWord & { job: string; jobName: string })[];
  /** Every job as a house, whoever needs somebody first stands first. */
  houses: TodayHouse[];
  /** What moved the ends of jobs since yesterday. */
  since: { job: string; name: string; days: number }[];
  /** Today and the next days by their outlook; empty where none was said. */
  outlook: DayOutlook[];
  problem: PlanProblem | null;
}

/** What somebody outside did, or a colleague ended on site. */
export interface Heard {
  seq: number;
  who: string;
  did: string;
  about: string;
  when: string;
  job: string;
  path: Path;
}
