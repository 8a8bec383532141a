import { useEffect, useRef, useState } from 'react';
import type { ProblemDocument } from '@/contract/command';
import { api } from '@/contract/routes';
import type { ForecastView } from '@/contract/views/forecast';
import { RUNS } from '@/core/forecast/forecast';
import { addUp, emptyTally, type Tally } from '@/core/forecast/play';
import type { PlayAsked } from './player';

/** How far a forecast is: what has been played so far counts, also where it was stopped. */
export type Played =
  | { state: 'fetching' }
  | { state: 'failed'; problem: string }
  | { state: 'playing' | 'whole' | 'stopped'; view: ForecastView; tally: Tally };

/** As many workers as play at once: two where the machine has a processor for each and one for the page. */
const workersHere = (): number => (navigator.hardwareConcurrency > 2 ? 2 : 1);

/** Fetches what a forecast is played from and plays it in workers. */
export function useForecast(job: string): { played: Played; stop: () => void } {
  const [played, setPlayed] = useState<Played>({ state: 'fetching' });
  const playing = useRef<Worker[]>([]);
  useEffect(() => {
    const asking = new AbortController();
    const end = (): void => {
      for (const worker of playing.current.splice(0)) worker.terminate();
    };
    void fetchView(job, asking.signal).then((view) => {
      if (asking.signal.aborted) return;
      if (typeof view === 'string') return setPlayed({ state: 'failed', problem: view });
      let tally = emptyTally(view.net);
      const count = workersHere();
      playing.current = Array.from({ length: count }, (_, number) => {
        const worker = new Worker(new URL('./player.ts', import.meta.url));
        worker.onmessage = ({ data }: MessageEvent<Tally>) => {
          tally = addUp(tally, data);
          const isWhole = tally.runs >= RUNS;
          setPlayed({ state: isWhole ? 'whole' : 'playing', view, tally });
          if (isWhole) end();
        };
        worker.onerror = () => {
          end();
          setPlayed(
            tally.runs > 0
              ? { state: 'stopped', view, tally }
              : { state: 'failed', problem: 'This browser could not play the forecast. Open the page again.' },
          );
        };
        const runs = RUNS / count;
        worker.postMessage({ net: view.net, from: number * runs, runs } satisfies PlayAsked);
        return worker;
      });
    });
    return () => {
      asking.abort();
      end();
    };
  }, [job]);
  const stop = (): void => {
    for (const worker of playing.current.splice(0)) worker.terminate();
    setPlayed((now) => (now.state === 'playing' ? { ...now, state: 'stopped' } : now));
  };
  return { played, stop };
}

async function fetchView(job: string, signal: AbortSignal): Promise<ForecastView | string> {
  try {
    const response = await fetch(api.forecast(job), { signal });
    if (response.ok) return (await response.json()) as ForecastView;
    return ((await response.json()) as ProblemDocument).title;
  } catch {
    return 'No connection: there is nothing to play the forecast from. Open the page again where there is one.';
  }
}
