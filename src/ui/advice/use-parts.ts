import { useEffect, useRef, useState } from 'react';
import type { ProblemDocument } from '@/contract/command';

/** How far the parts of an answer have come. */
export type Coming = { state: 'coming' | 'whole' | 'stopped' } | { state: 'failed'; problem: string };

/**
 * An answer that comes in parts, a line of JSON each.
 * @param take what the parts so far and one more come to
 * @returns what is known, how far it is, how to stop (what came stays), and how to ask again
 */
export function useParts<Part, Known>(
  address: string,
  empty: Known,
  take: (known: Known, part: Part) => Known,
): { known: Known; coming: Coming; stop: () => void; again: () => void } {
  const [known, setKnown] = useState(empty);
  const [coming, setComing] = useState<Coming>({ state: 'coming' });
  const [time, setTime] = useState(1);
  const asking = useRef<AbortController>(undefined);
  useEffect(() => {
    const asked = new AbortController();
    asking.current = asked;
    void eachPart<Part>(address, asked.signal, (part) => {
      if (!asked.signal.aborted) setKnown((so) => take(so, part));
    }).then((end) => {
      if (!asked.signal.aborted) setComing(end);
    });
    return () => asked.abort();
  }, [address, take, time]);
  const stop = (): void => {
    asking.current?.abort();
    setComing({ state: 'stopped' });
  };
  const again = (): void => {
    asking.current?.abort();
    setKnown(empty);
    setComing({ state: 'coming' });
    setTime((count) => count + 1);
  };
  return { known, coming, stop, again };
}

async function eachPart<Part>(address: string, signal: AbortSignal, hear: (part: Part) => void): Promise<Coming> {
  try {
    const response = await fetch(address, { signal });
    if (!response.ok) return { state: 'failed', problem: ((await response.json()) as ProblemDocument).title };
    const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const read = await reader?.read();
      if (!read || read.done) return { state: 'whole' };
      const lines = (rest + read.value).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) hear(JSON.parse(line) as Part);
    }
  } catch {
    return {
      state: 'failed',
      problem: 'No connection: not every answer could be worked out. Open the page again where there is one.',
    };
  }
}
