import { v7 } from 'uuid';
import { api, routes } from '@/contract/routes';
import type { CommandType, Input } from '@/contract/commands';
import { demoId } from '../demo/seed';
import { serve, type Running } from '../scripts/demo-server';
import { grownCopy, NOW } from './grown';
import { besides, high, pause } from './besides';
import { figure, median, type Figure } from './measure';

const job = demoId('signal');
const walk = v7();
/** Seconds for which commands come; a minute unless said. */
const SECONDS = Number(process.env.AFTERMIST_BENCH_SECONDS ?? 60);
const A_SECOND = 50;

const give = async <Type extends CommandType>(server: Running, type: Type, payload: Input<Type>): Promise<number> => {
  const began = performance.now();
  const response = await fetch(`${server.url}${api.commands()}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: v7(), type, at: NOW, payload }),
  });
  if (response.status !== 200) throw new Error(`${type} answered ${response.status}: ${await response.text()}`);
  await response.arrayBuffer();
  return performance.now() - began;
};

/** So many commands a second for a while; what each took until it was answered. */
async function commandsFor(server: Running, seconds: number): Promise<number[]> {
  const sent: Promise<number>[] = [];
  for (const began = performance.now(); performance.now() - began < seconds * 1000;) {
    sent.push(
      give(server, 'observation.record', {
        observation: { id: v7(), walk, area: demoId('signal', 'area', 'guest'), kind: 'note', text: 'one more' },
      }),
    );
    await pause(Math.max(0, began + (sent.length * 1000) / A_SECOND - performance.now()));
  }
  return Promise.all(sent);
}

const HOSTILE = 'six foot two and three quarters '.repeat(1900);

/** Commands while plans are made, and a small request beside the heaviest acts; at ten years, over HTTP. */
export async function busyFigures(): Promise<Figure[]> {
  const { folder, gone } = grownCopy('ten-years', '--years', '10');
  const server = await serve(folder, { demo: true, now: NOW });
  const get = (path: string) => async (): Promise<unknown> => (await fetch(`${server.url}${path}`)).arrayBuffer();
  try {
    await give(server, 'walk.start', { id: walk, job, kind: 'progress' });
    await commandsFor(server, 2);
    const alone = await commandsFor(server, SECONDS);
    const state = { planning: true };
    const plans = (async () => {
      for (let turn = 0; state.planning; turn++) {
        const sub = demoId('sub', 'tile');
        if (turn % 2 === 0) await give(server, 'sub.away', { sub, firstDay: '2027-05-03', lastDay: '2027-05-14' });
        else await give(server, 'sub.back', { sub, firstDay: '2027-05-03' });
        await pause(300);
      }
    })();
    const beside = await commandsFor(server, SECONDS);
    state.planning = false;
    await plans;
    await pause(3000);
    const figures = [
      figure(
        `${A_SECOND} commands a second for ${SECONDS} s while plans are made, p99`,
        high(beside),
        'ms',
        'the same without plans',
        high(alone),
      ),
    ];
    await give(server, 'narration.keep', { id: v7(), walk, name: 'hostile.txt', text: HOSTILE });
    const none = await besides(server, () => pause(2000));
    const acts: [string, () => Promise<unknown>][] = [
      [
        'a preview',
        () =>
          fetch(`${server.url}${api.preview()}`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({
              id: v7(),
              type: 'sub.away',
              at: NOW,
              payload: { sub: demoId('sub', 'tile'), firstDay: '2027-06-03', lastDay: '2027-06-14' },
            }),
          }),
      ],
      ['room sheets', get(api.jobFile(job, 'room-sheets.pdf'))],
      ['the plan as a document', get(api.plan())],
      ['what-ifs of options', get(routes.options(job))],
      ['a walk reviewed with 60 kB of hostile narration', get(routes.review(job, walk))],
    ];
    for (const [name, act] of acts) {
      const waits: number[] = [];
      for (let round = 0; round < 5; round++) waits.push(...(await besides(server, act)));
      figures.push(figure(`a small request beside ${name}, p95`, high(waits, 0.95), 'ms', 'alone', high(none, 0.95)));
      figures.push(figure(`a small request beside ${name}`, median(waits), 'ms', 'alone', median(none)));
    }
    return figures;
  } finally {
    await server.kill();
    gone();
  }
}
