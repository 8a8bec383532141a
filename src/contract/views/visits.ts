import type { Day } from '@/core/units/day';
import type { Phrase } from '@/core/words/phrase';

/** What was said of a visit's day to whoever comes. */
export type Said = 'nothing' | 'told' | 'asked' | 'confirmed' | 'declined';

/** A visit that is planned for another half-day than people go by. */
export interface MovedVisit {
  task: string;
  label: Phrase;
  job: string;
  jobId: string;
  from: string;
  fromDay: Day;
  to: string;
  day: Day;
  half: 0 | 1;
  said: Said;
  /** Who said it and when; empty where nothing was said. */
  saidBy: string;
  /** On which half-day they said they could, with its words. */
  wish: { day: Day; half: 0 | 1; words: string } | null;
  /** They said yes to the day it stood on, or it stands in the days that are frozen: to be settled. */
  conflict: boolean;
  /** What keeps it from where it stood; what it was found because of. */
  reason: Phrase;
  cause: string;
}

/** Somebody who has to be told, with everything of theirs that moved. */
export interface Concerned {
  crew: string;
  name: string;
  /** Own people have no page and no address. */
  sub: boolean;
  phone: string;
  email: string;
  visits: MovedVisit[];
}

/** A job that ends on another day than its client goes by. */
export interface MovedEnd {
  job: string;
  name: string;
  client: string;
  email: string;
  from: string;
  to: string;
  day: Day;
  later: boolean;
  /** A letter waits for them that says it too: they are told by that one alone. */
  inLetter: boolean;
}

/** A booked visit of an office that the plan cannot keep, or keeps after its office was told that it cannot. */
export interface MovedOffice {
  inspection: string;
  office: string;
  phone: string;
  email: string;
  job: string;
  /** What is looked at, and when. */
  what: string;
  off: boolean;
  /** Until when the page of the visit opens. */
  pageUntil: Day;
}

/** A job of which neighbours were told days that have moved. */
export interface MovedNearby {
  job: string;
  name: string;
  lines: string[];
  people: { id: string; name: string; phone: string; email: string }[];
}

/** What moved, because of what, and who has to be told; the nearest first. */
export interface MovedView {
  concerned: Concerned[];
  ends: MovedEnd[];
  offices: MovedOffice[];
  neighbours: MovedNearby[];
  /** Subs who come in the next two weeks and were not asked for those days yet. */
  unasked: Unasked[];
  /** Those who were asked and have not answered. */
  unanswered: { crew: string; name: string; phone: string; email: string }[];
}

/** A sub with visits that nobody has asked for. */
interface Unasked {
  crew: string;
  name: string;
  phone: string;
  email: string;
  visits: { task: string; day: Day; half: 0 | 1 }[];
  /** The first of them. */
  first: string;
}

/** The same before it happens: names and half-days alone. */
export interface WouldMove {
  name: string;
  visits: { label: Phrase; job: string; from: string; to: string; confirmed: boolean }[];
}
