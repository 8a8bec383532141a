import { describe, expect, it } from 'vitest';
import { firmAtWork } from '../../../tests/support/firm-at-work';
import { OtherWorld } from '../../../tests/support/other-world';
import { placedLike } from '../schedule/plan';
import { playedOf } from './build';
import { forecastOf } from './forecast';
import { emptyTally, Player } from './play';
import { latenessSeen, pacesSeen } from './seen';
import type { PlayedNetwork } from './played';

/** Ends that are forecast and then come: `npm run long -- forecast 1000`. */
const ENDS = Number(process.env.FORECAST_ENDS ?? 60);
/** Records that the firm has of each trade. */
const RECORDS = 30;
const RUNS = 400;

/** A drawn firm's work, with what the world has shown of each trade and sub so far. */
function firm(seed: number, world: OtherWorld): PlayedNetwork {
  const { input } = firmAtWork(seed);
  const placed = placedLike(input);
  if (!placed.ok) throw new Error(placed.problem.message);
  const { net, placement } = placed.value;
  const wet = [13, 12, 11, 10, 9, 8, 8, 8, 9, 11, 13, 14].map((days): [number, number, number] => [days / 30, 0, 0]);
  const plain = playedOf(
    net,
    placement,
    {
      ...{ paces: new Map(), lateness: new Map() },
      ...{ chances: [], comings: [], normals: wet, outlookUntil: 10 },
    },
    Object.keys(input.jobCalendars).map((job) => ({
      ...{ id: job, label: job, is: (task: { job: string }) => task.job === job, promise: null },
    })),
  );
  const learned = { ...plain };
  learned.paces = plain.paces.map((_, kind) => pacesSeen(Array.from({ length: RECORDS }, () => world.ratio(kind))));
  learned.lateness = plain.lateness.map((_, crew) =>
    latenessSeen(Array.from({ length: RECORDS }, () => world.late(crew))),
  );
  return learned;
}

describe('a forecast', () => {
  it('holds: four in five ends come by the date it gives for four in five', { timeout: 3_600_000 }, () => {
    let [held, half, ends] = [0, 0, 0];
    for (let seed = 1; ends < ENDS; seed++) {
      const world = new OtherWorld(seed);
      const net = firm(seed, world);
      const tally = emptyTally(net);
      new Player(net, seed).play(0, RUNS, tally);
      const { ends: forecast } = forecastOf(net, tally);
      const came = world.play(net);
      forecast.forEach(({ likely, half: middle }, at) => {
        ends++;
        if ((came[at] ?? 0) <= likely) held++;
        if ((came[at] ?? 0) <= middle) half++;
      });
    }
    const share = held / ends;
    console.log(
      `${ends} ends: ${(100 * share).toFixed(1)} of 100 by the date for 80, ${((100 * half) / ends).toFixed(1)} by that for 50`,
    );
    // Ends of one firm hang together: of few the share is itself a matter of luck.
    const slack = ENDS >= 1000 ? 0.03 : 0.18;
    expect(Math.abs(share - 0.8)).toBeLessThanOrEqual(slack);
  });
});
