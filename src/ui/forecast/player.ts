import { emptyTally, Player, type Tally } from '@/core/forecast/play';
import type { PlayedNetwork } from '@/core/forecast/played';

/** What a worker is asked to play. */
export interface PlayAsked {
  net: PlayedNetwork;
  /** Runs by number: from this one on, every `step`th, so many of them. */
  from: number;
  runs: number;
}

/** Runs after which it says what they came to. */
const PART = 100;

/** The browser's thread in which a forecast is played: it tells what each hundred runs came to. */
self.onmessage = ({ data: { net, from, runs } }: MessageEvent<PlayAsked>) => {
  const player = new Player(net);
  for (let done = 0; done < runs; done += PART) {
    const tally: Tally = emptyTally(net);
    player.play(from + done, Math.min(PART, runs - done), tally);
    self.postMessage(tally);
  }
};
