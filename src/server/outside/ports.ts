import type { SupplierSays } from '@/contract/commands/selections';
import type { HalfDayOutlook } from '@/core/schedule/weather';
import type { Closure } from '@/core/selections/order-by';
import type { SelectionState } from '@/core/selections/states';
import type { Day } from '@/core/units/day';

/**
 * What the application needs of the world outside, one port each. Whoever meets a port passes its suite in
 * `tests/support/ports.ts`, a stand-in as much as a real service; nothing but the installation chooses between them.
 */
export interface Outside {
  /** `by hand` where nothing carries messages: people pass them on themselves. */
  messages: MessageGateway | 'by hand';
  /** Carries short texts to telephones; the same. */
  texts: MessageGateway | 'by hand';
  suppliers: SupplierDesk;
  weather: WeatherService;
  offices: InspectionOffices;
}

/** A message to one person. */
export interface OutMessage {
  id: string;
  /** How often it was tried before. */
  tries: number;
  recipient: string;
  address: string;
  /** One line. */
  subject: string;
  text: string;
}

/**
 * What became of a message: taken by a mail server, come to whoever it is for, or not, with the reason in words and whether
 * another try makes sense.
 */
export type Delivery = { state: 'sent' | 'delivered' } | { failure: string; again: boolean };

/** Carries messages to people. */
export interface MessageGateway {
  /** How it carries them, for whoever sends: what is only played is said. */
  readonly by: 'mail' | 'play';
  /** Asked once a try. */
  deliver: (message: OutMessage) => Delivery | Promise<Delivery>;
}

/** An order as its supplier knows it. */
export interface SupplierOrder {
  id: string;
  state: SelectionState;
  orderedOn: Day;
  expectedOn: Day | null;
  /** Days the maker takes, at the shortest and at the longest. */
  leadLow: number;
  leadHigh: number;
  quantity: number | null;
  unit: string;
  closures: readonly Closure[];
  /** How often they have spoken of it. */
  spoken: number;
}

/** What a supplier says next, and the day on which they say it. */
export interface SupplierWord {
  on: Day;
  says: SupplierSays;
  text: string;
  day?: Day;
  quantity?: number;
}

/** Carries orders to suppliers and their words back. */
export interface SupplierDesk {
  /** Changes nothing: asked twice of the same order it says the same. @returns undefined where they have no more to say */
  next: (order: SupplierOrder) => SupplierWord | undefined;
}

/** Days ahead of which weather is asked for and shown; further ahead an outlook says no more than the season. */
export const OUTLOOK_DAYS = 10;

/** Says what weather is expected. */
export interface WeatherService {
  /** The half-days from a day on, in order and without gaps. */
  outlook: (from: Day) => HalfDayOutlook[];
}

/** An inspection office as far as booking goes. */
interface OfficeTerms {
  /** Days of the week on which it visits, 0 for Sunday. */
  weekdays: readonly number[];
  /** Workdays between asking and the visit, at the least. */
  noticeDays: number;
  visitsADay: number;
}

/** Gives out the visits of inspection offices. */
export interface InspectionOffices {
  /**
   * @param asked on which day it is asked for, the day that was wished for (or given), and the first on which it makes sense
   * @param taken how many visits a day has already
   * @returns undefined where no day within a good half-year is free
   */
  offer: (
    office: OfficeTerms,
    asked: { on: Day; wished?: Day; notBefore?: Day },
    taken: (day: Day) => number,
    holidays: ReadonlySet<Day>,
  ) => { day: Day; half: 0 | 1 } | undefined;
}
