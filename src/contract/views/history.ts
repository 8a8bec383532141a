import type { JobHead } from './job';

/** One change of a job: by whom, when, what, and whether it was or can be taken back. */
export interface ChangeMade {
  command: string;
  seq: number;
  when: string;
  who: string;
  did: string;
  about: string;
  /** `open`: it can be asked to be taken back; `taken back`: it was. */
  back: 'open' | 'taken back' | 'stays';
}

export interface HistoryView {
  job: JobHead;
  changes: ChangeMade[];
  /** From which number on there are earlier ones; null where all are shown. */
  earlier: number | null;
  newest: boolean;
}
