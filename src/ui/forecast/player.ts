import { emptyTally, Player } from '@/core/forecast/play';
import type { PlayedNetwork } from '@/core/forecast/played';

/** What a worker is asked to play. */
export interface PlayAsked {
  net: PlayedNetwork;
  /** Runs by number: from this one on, so many of them. */
  from: number;
  runs: number;
}

/** Runs between two looks at the clock, and how often it says what they came to: each time the page draws anew. */
const PART = 25;
const TELLS_AFTER_MS = 400;

/** The browser's thread in which a forecast is played: it tells from time to time what its runs came to. */
self.onmessage = ({ data: { net, from, runs } }: MessageEvent<PlayAsked>) => {
  const player = new Player(net);
  let tally = emptyTally(net);
  let told = performance.now();
  for (let done = 0; done < runs; done += PART) {
    player.play(from + done, Math.min(PART, runs - done), tally);
    const isLast = done + PART >= runs;
    if (!isLast && performance.now() - told < TELLS_AFTER_MS) continue;
    self.postMessage(tally);
    tally = emptyTally(net);
    told = performance.now();
  }
};
