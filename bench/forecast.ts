import { playedOf } from '@/core/forecast/build';
import { emptyTally, Player } from '@/core/forecast/play';
import { compile } from '@/core/schedule/compiled';
import { forwardPass } from '@/core/schedule/passes';
import { place } from '@/core/schedule/placing';
import { routeOf, type Stop } from '@/core/trips/route';
import { figure, inTurn, median, type Figure } from './measure';
import { HORIZON, network } from './plan';

const RUNS = 20;
const STOPS = 12;

/** What a run of a forecast costs over a plain forward pass of the same network, and a route of twelve stops. */
export async function forecastFigures(): Promise<Figure[]> {
  const input = network();
  const net = compile(input, HORIZON);
  if (!net.ok) throw new Error(net.problem.message);
  const placed = place(net.value);
  if (!placed) throw new Error('The horizon is too short.');
  const played = playedOf(
    net.value,
    placed,
    {
      ...{ paces: new Map(), lateness: new Map(), chances: [], comings: [], outlookUntil: 20 },
      normals: Array.from({ length: 12 }, (): [number, number, number] => [0.3, 0.1, 0.1]),
    },
    [{ id: 'j0', label: 'Job 0', is: (task) => task.job === 'j0', promise: null }],
  );
  const player = new Player(played);
  let run = 0;
  const stops = Array.from({ length: STOPS }, (_, at): Stop => ({
    ...{ id: String(at), stays: 20 },
    ...{ from: 480 + 10 * ((7 * at) % STOPS), until: 880 + 10 * ((7 * at) % STOPS) },
  }));
  const way = Array.from({ length: STOPS + 1 }, (_, from) => stops.map((__, to) => 5 + ((31 * from + 17 * to) % 23)));
  const [forward = [], runs = [], routes = []] = await inTurn(15, [
    () => forwardPass(net.value),
    () => player.play((run += RUNS), RUNS, emptyTally(played)),
    () => routeOf(stops, 470, way),
  ]);
  const base = median(forward);
  const size = `${input.tasks.length} tasks, ${input.links.length} links`;
  return [
    figure(
      'a run of a forecast',
      median(runs) / RUNS,
      'ms',
      `plain forward pass over the same network (${size})`,
      base,
    ),
    figure('a route of twelve stops, exact', median(routes), 'ms', 'the same plain forward pass', base),
  ];
}
