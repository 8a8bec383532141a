import type { Refusal } from '../refusal';

/** What a thread is begun with. */
export interface ThreadTerms {
  folder: string;
  root: string;
  demo: boolean;
  setTo: Date | undefined;
}

export interface Asked {
  name: string;
  terms: unknown[];
}

/** A part of an answer that is not whole yet. */
export interface Told {
  part: unknown;
}

export type Answered = { answer: unknown } | { refusal: Pick<Refusal, 'status' | 'problem'> };
