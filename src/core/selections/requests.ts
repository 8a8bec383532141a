import { addDays, backToWeekday, onToWeekday, type Day } from '../units/day';

/** What somebody owes before an order or a piece of work can go ahead. */
export const REQUEST_KINDS = { approval: 'approval', answer: 'answer', drawing: 'drawing' } as const;
export type RequestKind = keyof typeof REQUEST_KINDS;
export const REQUEST_KIND_KEYS = Object.keys(REQUEST_KINDS) as RequestKind[];

export const PARTIES = {
  client: 'the client',
  association: 'the association',
  authority: 'the authority',
  conservation: 'the conservation office',
  engineer: 'the engineer',
  designer: 'the designer',
  us: 'us',
} as const;
export type Party = keyof typeof PARTIES;
export const PARTY_KEYS = Object.keys(PARTIES) as Party[];

export const OUTCOMES = ['granted', 'conditions', 'refused'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export interface Request {
  id: string;
  kind: RequestKind;
  party: Party;
  subject: string;
  /** Calendar days from asking to the answer, as a rule. */
  takesLow: number;
  takesHigh: number;
  /** What must be there first. */
  after: string | null;
  sentOn: Day | null;
  /** The day they named. */
  expectedOn: Day | null;
  answeredOn: Day | null;
  outcome: Outcome | null;
}

export type Standing = 'to send' | 'waits for another' | 'sent' | 'answered' | 'refused';

/** Nothing waits for it any more: a refusal settles nothing, it has to be asked anew. */
export const isGiven = (request: Request): boolean => request.answeredOn !== null && request.outcome !== 'refused';

export type Requests = ReadonlyMap<string, Request>;

export function requestStatus(request: Request, all: Requests): Standing {
  if (isGiven(request)) return 'answered';
  if (request.outcome === 'refused') return 'refused';
  if (request.sentOn) return 'sent';
  const former = request.after ? all.get(request.after) : undefined;
  return former && !isGiven(former) ? 'waits for another' : 'to send';
}

/**
 * The day on which an answer can be counted on: the one they named, else as long as it takes from the day it was sent,
 * or would be sent at the earliest. What was expected for a day that has passed is counted on for the next weekday.
 */
export function expectedOf(request: Request, all: Requests, today: Day, seen: readonly string[] = []): Day {
  if (isGiven(request)) return request.answeredOn ?? today;
  const tomorrow = onToWeekday(addDays(today, 1));
  if (request.sentOn && request.outcome !== 'refused') {
    const day = request.expectedOn ?? onToWeekday(addDays(request.sentOn, request.takesHigh));
    return day <= today ? tomorrow : day;
  }
  const former = request.after && !seen.includes(request.id) ? all.get(request.after) : undefined;
  const free = former && !isGiven(former) ? expectedOf(former, all, today, [...seen, request.id]) : today;
  return onToWeekday(addDays(free, request.takesHigh));
}

/** Days that a request and all that must come before it still take, counted from the sending of the first. */
export function daysToCome(request: Request, all: Requests, seen: readonly string[] = []): number {
  if (isGiven(request)) return 0;
  const former = request.after && !seen.includes(request.id) ? all.get(request.after) : undefined;
  return request.takesHigh + (former ? daysToCome(former, all, [...seen, request.id]) : 0);
}

/** By when it must be asked so that it is there when needed. */
export const sendBy = (neededBy: Day, request: Pick<Request, 'takesHigh'>): Day =>
  backToWeekday(addDays(neededBy, -request.takesHigh));

/**
 * By when each request is needed: the earliest of what waits for it, and of the asking of those that come after it.
 * @param waits the day of each order or step that stands still without it, by request; those nobody has planned are
 * left out
 */
export function neededBy(all: Requests, waits: ReadonlyMap<string, readonly Day[]>): Map<string, Day> {
  const followers = new Map<string, Request[]>();
  for (const request of all.values())
    if (request.after && !isGiven(request))
      followers.set(request.after, [...(followers.get(request.after) ?? []), request]);
  const known = new Map<string, Day | undefined>();
  const needed = (request: Request): Day | undefined => {
    if (known.has(request.id)) return known.get(request.id);
    // A ring is refused when it is made; should there be one, it ends here.
    known.set(request.id, undefined);
    const days = [
      ...(waits.get(request.id) ?? []),
      ...(followers.get(request.id) ?? []).flatMap((follower) => {
        const day = follower.sentOn && follower.outcome !== 'refused' ? undefined : needed(follower);
        return day ? [sendBy(day, follower)] : [];
      }),
    ].sort();
    known.set(request.id, days[0]);
    return days[0];
  };
  for (const request of all.values()) needed(request);
  return new Map([...known].flatMap(([id, day]) => (day ? [[id, day] as const] : [])));
}

/** The ring that `request` would close if it came after `after`, first to last; undefined where there is none. */
export function ringOf(request: string, after: string, all: Requests): string[] | undefined {
  const path = [request];
  for (let at: string | null = after; at; at = all.get(at)?.after ?? null) {
    if (at === request) return path;
    if (path.includes(at)) return undefined;
    path.push(at);
  }
  return undefined;
}

/** A request as it is called in a line: whom it is asked of, and what it is about. */
export const requestLabel = (request: Pick<Request, 'party' | 'subject'>): string =>
  `${PARTIES[request.party]} (${request.subject})`;
