import type { Brief } from '@/core/scope/brief';
import type { Day } from '@/core/units/day';
import type { Phrase } from '@/core/words/phrase';
import type { LivingGap } from './living';
import type { Audience, Reader } from '../commands/news';
import type { DraftPart } from '@/core/news/news';
import type { ShownPart } from '@/core/news/own-words';
import type { MovedView } from './visits';
import type { Statement, StatementDiff } from '@/core/scope/statement';
import type { JobHead, PastShown } from './job';
import type { Currency } from '@/core/units/money';
import type { ClientChange } from './changes';

/** What went out. */
export interface UpdateView {
  id: string;
  audience: Reader;
  title: string;
  body: string;
  when: string;
  messages: MessageView[];
}

export interface MessageView {
  id: string;
  recipient: string;
  address: string;
  state: 'queued' | 'sent' | 'delivered' | 'failed';
  failure: string | null;
  /** When it is tried again. */
  again: string | null;
  acknowledged: string | null;
  linkId: string;
}

/** What somebody would be told now, as it would go out. */
export interface DraftView {
  audience: Reader;
  title: string;
  since: string;
  parts: ShownPart[];
  text: string;
  /** Lines to be settled first. */
  unsettled: number;
}

export interface LinkView {
  id: string;
  audience: Audience;
  recipient: string;
  path: string;
  expiresOn: Day;
  state: 'open' | 'expired' | 'revoked';
  opened: number;
}

export interface NewsView {
  job: JobHead;
  today: Day;
  /** Who reads the news of this job, whether something waits for them, when they were written to last. */
  readers: { audience: Reader; who: string; waits: boolean; told: string }[];
  draft: DraftView;
  /** What was asked on pages of this job and waits for an answer. */
  questions: OpenQuestion[];
  /** Who lives beside it. */
  neighbours: { id: string; name: string; email: string; phone: string; note: string }[];
  /** Visits and ends that moved, and who has to hear of it. */
  moved: MovedView;
  updates: UpdateView[];
  /** What did not arrive. */
  failed: (MessageView & { title: string })[];
  past: PastShown;
  links: LinkView[];
  /** There may be more links that open than those. */
  moreLinks: boolean;
  /** Whom to send to, by audience. */
  suggested: Record<Reader, { name: string; address: string }[]>;
  subs: { id: string; name: string }[];
}

/** What a share link opens. */
export type SharedView = ClientShared | CrewShared | NeighbourShared;

/** What somebody asked on their page, and what they were answered. */
interface Asked {
  id: string;
  name: string;
  text: string;
  when: string;
  answer: string;
  /** Who answered and when; empty while nobody has. */
  answered: string;
}

/** What somebody asked, for whoever answers it. */
export interface OpenQuestion {
  id: string;
  version: number;
  name: string;
  audience: Audience;
  text: string;
  when: string;
}

interface SharedBase {
  firm: string;
  recipient: string;
  today: Day;
  expiresOn: Day;
  acknowledged: string | null;
  canAcknowledge: boolean;
  /** Whom to call. */
  call: { name: string; phone: string };
  questions: Asked[];
  /** Jobs one may ask about. */
  askAbout: { id: string; name: string }[];
}

/** What a neighbour reads: as it is now. */
export interface NeighbourShared extends SharedBase {
  audience: 'neighbour';
  title: string;
  parts: DraftPart[];
  updates: { title: string; body: string; when: string }[];
}

export interface ClientShared extends SharedBase {
  audience: 'client';
  job: { name: string; address: string };
  /** Where the job is and when it ends; what was found; the next two weeks: as it is now, in the words of their news. */
  now: {
    opening: string;
    found: string[];
    weeks: string[];
    ahead: string;
    /** What the steps of those weeks are. */
    meanings: { word: string; means: Phrase }[];
  };
  /** Room by room in the order of a walk: the same spot before and now, or the newest picture. */
  tour: { area: string; text: string; before: TourPicture | null; now: TourPicture }[];
  updates: { title: string; body: string; when: string }[];
  /** What those who live there are without and when, and the hours on which something is off. */
  household: { gaps: LivingGap[]; off: { when: string; text: string }[] };
  decisions: { text: string; by: Day }[];
  /** What they chose, approved and answered, the newest first. */
  receipts: { key: string; text: string; when: string }[];
  /** What is theirs to choose, with what there is to choose from. */
  choices: {
    id: string;
    what: string;
    by: Day | null;
    /** What the price holds for it, everything included; null where nothing is allowed for. */
    allowed: number | null;
    alternatives: {
      id: string;
      choice: string;
      price: number | null;
      look: string;
      upkeep: string;
      picture: string | null;
    }[];
  }[];
  /** What was asked of them on this page and is not answered. */
  requests: { id: string; kind: 'approval' | 'answer' | 'drawing'; subject: string; by: Day | null; waits: string[] }[];
  /** At the end of a job: their own list, and the rooms they accept. */
  completion: {
    items: {
      id: string;
      text: string;
      area: string | null;
      state: 'asked' | 'taken up' | 'answered';
      answer: string;
    }[];
    areas: { id: string; name: string; accepted: string | null }[];
  } | null;
  /** The newest statement that was sent. */
  statement: {
    id: string;
    number: number;
    content: Statement;
    diff: (StatementDiff & { against: number }) | null;
    agreed: string | null;
  } | null;
  changes: ClientChange[];
  currency: Currency;
}

/** A picture of a tour, with when it was taken. */
export interface TourPicture {
  hash: string;
  when: string;
  alt: string;
}

/** Work of one sub at one job on days that follow each other. */
export interface SubVisit {
  key: string;
  job: string;
  address: string;
  /** `Wed 10 Mar, morning to Thu 11 Mar, afternoon`. */
  when: string;
  works: string[];
  /** Before them and after them. */
  ready: string[];
  halves: { task: string; day: Day; half: 0 | 1 }[];
  /** `asked` where any of it was asked and not answered; `pencil` where nobody has asked for it yet. */
  said: 'pencil' | 'asked' | 'confirmed' | 'declined';
  words: string;
}

export interface CrewShared extends SharedBase {
  audience: 'crew' | 'sub';
  title: string;
  updates: { title: string; body: string; when: string }[];
  days: {
    day: Day;
    works: {
      crew: string;
      job: string;
      address: string;
      what: string;
      half: string;
      ready: string[];
      leaves: string[];
    }[];
  }[];
  /** What a sub is asked for or has answered, visit by visit; none where the page is a whole crew's. */
  visits: SubVisit[];
  /** What was agreed in each room they still come to, those of the days above first. */
  rooms: { area: string; name: string; job: string; soon: boolean; brief: Brief }[];
  /** What concerns everybody on a job. */
  around: { job: string; brief: Brief }[];
  /** What stands there, or comes: bins, places where loads are set down, the pump. */
  there: { key: string; job: string; what: string; text: string }[];
  cautions: { area: string; text: string }[];
  leftovers: { area: string; text: string; trade: string }[];
}
