import type { NamedArea } from '@/core/narration/area-aliases';
import type { Cue } from '@/core/narration/captions';
import type { Draft } from '@/core/narration/draft';
import { Listener } from '@/core/narration/read';

/** What the reader is told: of a telling by its number, the areas it speaks of at first, then what is said. */
export interface Told {
  telling: number;
  areas?: readonly NamedArea[];
  cues: readonly Cue[];
  /** Nothing more comes: the reader forgets it. */
  ends: boolean;
}

export interface Heard {
  telling: number;
  drafts: Draft[];
  /** Where the speaker is, as far as was heard; undefined before any area was named. */
  here: string | null | undefined;
}

const tellings = new Map<number, Listener>();

/** The browser's thread in which speech is read: what the reader was taught is loaded here and nowhere else. */
self.onmessage = ({ data: { telling, areas, cues, ends } }: MessageEvent<Told>) => {
  let listener = tellings.get(telling);
  if (!listener) {
    listener = new Listener(areas ?? []);
    tellings.set(telling, listener);
  }
  listener.hear(...cues);
  self.postMessage({ telling, drafts: listener.drafts(), here: listener.here() } satisfies Heard);
  if (ends) tellings.delete(telling);
};
