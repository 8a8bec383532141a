/**
 * What went wrong with a person's input, in their words: the thing, the rule and the value received.
 * Misuse by a programmer throws; bad input from a person returns (or carries) one of these.
 */
export interface Problem {
  /** Stable word for programs, e.g. `length-unreadable`. */
  code: string;
  /** One sentence for the person: what was wrong and what would be right. */
  message: string;
  /** The input it belongs to, as a path in the payload. */
  field?: string;
  /** What to do next, where that is more than the message. */
  hint?: string;
}

/** Either the answer or the reason there is none. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const answer = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refuse = <T = never>(problem: Problem): Outcome<T> => ({ ok: false, problem });
