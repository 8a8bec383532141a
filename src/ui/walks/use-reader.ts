'use client';
import { useEffect, useMemo, useState } from 'react';
import type { WalkArea } from '@/contract/views/walk';
import type { NamedArea } from '@/core/narration/area-aliases';
import { readCaptions, type Cue } from '@/core/narration/captions';
import type { Heard, Told } from './speech-reader';

/** One thread for all of a page: what the reader was taught is opened once. */
let thread: Worker | undefined;
let told = 0;
const hearing = new Map<number, (heard: Heard) => void>();
const failing = new Set<() => void>();

function threadHere(): Worker {
  if (thread) return thread;
  thread = new Worker(new URL('./speech-reader.ts', import.meta.url));
  thread.onmessage = ({ data }: MessageEvent<Heard>) => hearing.get(data.telling)?.(data);
  thread.onerror = () => {
    // It is tried anew by whoever asks next: with a line again it may come.
    thread = undefined;
    for (const fail of failing) fail();
  };
  return thread;
}

/** Opens the reader ahead, so that it is on this device when there is no signal. */
export function useReaderReady(): void {
  useEffect(() => {
    threadHere();
  }, []);
}

export interface Telling {
  tell: (cues: readonly Cue[], ends?: boolean) => void;
  stop: () => void;
}

/** Begins to tell the reader something. */
export function beginTelling(areas: readonly NamedArea[], onHeard: (heard: Heard) => void): Telling {
  const telling = ++told;
  hearing.set(telling, onHeard);
  let known = false;
  return {
    tell: (cues, ends = false) => {
      threadHere().postMessage({ telling, cues, ends, ...(known ? {} : { areas }) } satisfies Told);
      known = true;
    },
    stop: () => {
      hearing.delete(telling);
      if (known) thread?.postMessage({ telling, cues: [], ends: true } satisfies Told);
    },
  };
}

/** Areas as they may be called. */
export const namedAreas = (areas: readonly WalkArea[]): NamedArea[] =>
  areas.map((area) => ({ name: area.name, synonyms: area.called }));

export type Reading = { state: 'reading' } | { state: 'read'; heard: Heard } | { state: 'failed' };

/** What is read in a text that is told to its end; read anew where the names of the areas change. */
export function useReading(text: string, areas: readonly WalkArea[]): Reading {
  // Records of a walk change its areas all the time; only their names matter here.
  const names = JSON.stringify(namedAreas(areas));
  const asked = useMemo(() => ({ text, areas: JSON.parse(names) as NamedArea[] }), [text, names]);
  const [reading, setReading] = useState<{ of: typeof asked; reading: Reading }>();
  useEffect(() => {
    const captions = readCaptions(asked.text);
    const fail = (): void => setReading({ of: asked, reading: { state: 'failed' } });
    failing.add(fail);
    const telling = beginTelling(asked.areas, (heard) => setReading({ of: asked, reading: { state: 'read', heard } }));
    telling.tell(captions.ok ? captions.value.cues : [], true);
    return () => {
      failing.delete(fail);
      telling.stop();
    };
  }, [asked]);
  return reading?.of === asked ? reading.reading : { state: 'reading' };
}
