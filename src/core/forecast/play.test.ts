import { describe, expect, it } from 'vitest';
import { firmAtWork } from '../../../tests/support/firm-at-work';
import { placedLike } from '../schedule/plan';
import { playedOf } from './build';
import { emptyTally, Player } from './play';
import type { PlayedNetwork } from './played';

const SEEDS = Array.from({ length: 10 }, (_, at) => at + 1);

/** A drawn firm's plan in which nothing is unsure. */
function sure(seed: number): PlayedNetwork {
  const { input } = firmAtWork(seed);
  const placed = placedLike(input);
  if (!placed.ok) throw new Error(placed.problem.message);
  const { net, placement } = placed.value;
  const played = playedOf(
    net,
    placement,
    { paces: new Map(), lateness: new Map(), chances: [], comings: [], normals: [], outlookUntil: 0 },
    Object.keys(input.jobCalendars).map((job) => ({
      ...{ id: job, label: job, promise: null },
      is: (task: { job: string }) => task.job === job,
    })),
  );
  return { ...played, paces: played.paces.map(() => [1]), lateness: played.lateness.map(() => [0]) };
}

describe('a run of a forecast', () => {
  it('begins nothing later than the plan where nothing is unsure', () => {
    for (const seed of SEEDS) {
      const net = sure(seed);
      const player = new Player(net, seed);
      player.once(0);
      expect(net.ids.filter((_, task) => (player.start[task] ?? 0) > (net.planned[task] ?? 0))).toEqual([]);
    }
  });

  it('has nobody at two places, and nothing before what it waits for', () => {
    for (const seed of SEEDS) {
      const net = { ...sure(seed), paces: [[0.5, 1, 2.5]], lateness: [[0, 6]] };
      net.pace = net.pace.map((list) => (list < 0 ? list : 0));
      net.arrives = net.arrives.map((list) => (list < 0 ? list : 0));
      const player = new Player(net, seed);
      for (let run = 0; run < 5; run++) {
        player.once(run);
        const { start, finish } = player;
        net.ids.forEach((_, task) => {
          for (let link = net.into[task] ?? 0; link < (net.into[task + 1] ?? 0); link++) {
            const before = net.links.before[link] ?? 0;
            const kind = net.links.kind[link];
            const [former, later] = kind === 1 ? [start, start] : kind === 2 ? [finish, finish] : [finish, start];
            expect(later[task]).toBeGreaterThanOrEqual(Math.min(former[before] ?? 0, net.horizon));
          }
          const crew = net.crew[task] ?? -1;
          if (crew < 0) return;
          const at = start[task] ?? 0;
          const there = net.ids.flatMap((__, other) =>
            net.crew[other] === crew && (start[other] ?? 0) <= at && (finish[other] ?? 0) > at ? [other] : [],
          );
          const parts = there.reduce((sum, other) => sum + (net.parts[other] ?? 0), 0);
          if (at < net.horizon) expect(parts).toBeLessThanOrEqual(net.crews[crew] ?? 0);
        });
      }
    }
  });

  it('lets a crew do what is ready while its next work is not', () => {
    // One crew: first work at a job whose goods come late, then four half-days at another.
    const net: PlayedNetwork = {
      ...{ origin: '2027-03-01', horizon: 60, ids: ['waits', 'ready'], planned: [2, 6], duration: [4, 4] },
      ...{
        floor: [2, 0],
        calendar: [0, 0],
        crew: [0, 0],
        parts: [4, 4],
        crews: [4],
        pace: [-1, -1],
        arrives: [-1, -1],
      },
      ...{ weather: [0, 0], into: [0, 0, 0], links: { before: [], kind: [], lag: [], calendar: [] } },
      ...{ calendars: [Array.from({ length: 60 }, (_, slot) => slot)], paces: [], lateness: [], chances: [] },
      comings: [{ label: 'goods', kind: 'order', tasks: [0], slot: 20, sooner: 0, late: 0, lateBy: 0 }],
      ...{ normals: [], cost: [], outlookUntil: 0, ends: [{ id: 'all', label: 'all', tasks: [0, 1], promise: null }] },
    };
    const player = new Player(net);
    player.play(0, 1, emptyTally(net));
    expect([...player.start]).toEqual([20, 2]);
  });
});
