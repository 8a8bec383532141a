import type { SharedAttachment } from './attachments';
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
  audience: Reader | 'party';
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
  /** It opens by somebody’s own sign-in and has no address. */
  own: boolean;
  expiresOn: Day;
  state: 'open' | 'expired' | 'revoked';
  opened: number;
  /** To whom of the firm its address was shown. */
  shown: { key: number; who: string; when: string }[];
  /** Its newest answers; `insider` of the firm was signed in on the browser that one came from. */
  answers: { key: string; when: string; from: string; insider: string | null }[];
}

/** Who was told what and when, over all jobs, the newest first. */
export interface ToldView {
  today: Day;
  /** Whose messages alone; empty for everybody's. */
  to: string;
  messages: {
    id: string;
    when: string;
    recipient: string;
    address: string;
    jobId: string;
    jobName: string;
    title: string;
    body: string;
    /** How far it came: what happened and when. */
    came: string;
    failed: boolean;
  }[];
  /** Names of those who were written to, for whoever looks for one. */
  names: string[];
  past: PastShown;
}

export interface NewsView {
  job: JobHead;
  today: Day;
  /** Who reads the news of this job, whether something waits for them, when they were written to last. */
  readers: { audience: Reader; who: string; waits: boolean; told: string }[];
  draft: DraftView;
  /** What was asked on pages of this job and waits for an answer. */
  questions: OpenQuestion[];
  /** What subs say is done and nobody of the firm has looked at. */
  doneWords: DoneWord[];
  /** Who lives beside it. */
  neighbours: {
    id: string;
    name: string;
    email: string;
    phone: string;
    note: string;
    /** What of theirs is needed, and for which piece of work, with its name. */
    needed: string;
    neededFor: string;
    forWork: string;
  }[];
  /** Work of the job that is not done, for which something of theirs may be needed. */
  works: { task: string; label: Phrase }[];
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
export type SharedView = ClientShared | CrewShared | NeighbourShared | PartyShared;

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

/** What a sub says is done, for whoever looks at it. */
export interface DoneWord {
  id: string;
  version: number;
  name: string;
  what: string;
  note: string;
  picture: string | null;
  when: string;
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

export interface SharedBase {
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

/** What an engineer, an office or an association reads: one question or one visit, and what there is to be seen of it. */
export interface PartyShared extends SharedBase {
  audience: 'party';
  job: { name: string; address: string };
  heading: string;
  /** When a visit is; empty for a question. */
  when: string;
  /** What waits for it. */
  waits: string[];
  /** What is asked; none where it is a visit. */
  asked: {
    id: string;
    kind: 'approval' | 'answer' | 'drawing';
    subject: string;
    by: Day | null;
    /** How it was answered; null while it is open. */
    settled: string | null;
  } | null;
  /** Drawings and other papers that go with the question. */
  papers: SharedAttachment[];
  areas: {
    id: string;
    name: string;
    /** Steps that are finished there. */
    done: string[];
    pictures: TourPicture[];
    measures: { text: string; when: string }[];
  }[];
}

/** The house as its client sees it: storeys from the top down, each with its rooms; outside what is on none. */
export interface ClientHouse {
  storeys: { name: string; rooms: ClientRoom[] }[];
  outside: ClientRoom[];
}
export interface ClientRoom {
  name: string;
  /** Part of its work that is done, 0…1; null where there is none. */
  share: number | null;
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
  house: ClientHouse;
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
  /** What is finished before them, and what needs it finished after them. */
  ready: string[];
  leaves: string[];
  /** `2½ days`. */
  long: string;
  /** Keys, parking, who opens. */
  gettingIn: string;
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
      /** Of the licence that it needs, with whether it is one that is missing; null where it needs none. */
      licence: { words: string; missing: boolean } | null;
    }[];
  }[];
  /** What a sub is asked for or has answered, visit by visit; none where the page is a whole crew's. */
  visits: SubVisit[];
  /** A sub's work that has begun by today: what they can say is done; `said` where they did, `answer` what is missing. */
  begun: {
    task: string;
    job: string;
    what: string;
    said: boolean;
    answer: string;
    /** The newest picture of the room that was taken from a spot: theirs may be from the same one. */
    spot: { id: string; picture: TourPicture } | null;
  }[];
  /** What was agreed in each room they still come to, those of the days above first. */
  rooms: { area: string; name: string; job: string; soon: boolean; brief: Brief; papers: SharedAttachment[] }[];
  /** What concerns everybody on a job. */
  around: { job: string; brief: Brief; papers: SharedAttachment[] }[];
  /** What stands there, or comes: bins, places where loads are set down, the pump. */
  there: { key: string; job: string; what: string; text: string }[];
  /** What nobody may touch this evening, for whoever leads the site. */
  tonight: { key: string; text: string }[];
  cautions: { area: string; text: string }[];
  leftovers: { area: string; text: string; trade: string }[];
}
