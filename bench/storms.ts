import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import sharp from 'sharp';
import { api } from '@/contract/routes';
import { demoId } from '../demo/seed';
import { serve } from '../scripts/demo-server';
import { besides, high, pause } from './besides';
import { grownCopy, NOW } from './grown';
import { figure, type Figure } from './measure';
import { buildForBench } from './pages';

const GUESSES = 60;
const PICTURES = 40;
const ROUNDS = 3;

const STORM = `
const { parentPort, workerData } = require('node:worker_threads');
parentPort.on('message', async (requests) => {
  await Promise.all(requests.map(({ path, body }) =>
    fetch(workerData.url + path, { method: 'POST', body }).then((answer) => answer.arrayBuffer())));
  parentPort.postMessage('over');
});`;

/** A picture that no other is like, as large as those of telephones. */
async function picture(at: number): Promise<Buffer> {
  const [width, height] = [2_000, 1_500];
  const noise = Buffer.alloc(width * height * 3);
  for (let byte = 0; byte < noise.length; byte++) noise[byte] = (byte * 31 + ((byte * at) >> 3)) & 255;
  return sharp(noise, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 95 })
    .toBuffer();
}

/** What a small request waits beside storms: many who sign in, many pictures, a long paper; at ten years, over HTTP. */
export async function stormFigures(): Promise<Figure[]> {
  buildForBench();
  const { folder, gone } = grownCopy('ten-years', '--years', '10');
  const server = await serve(folder, { demo: true, now: NOW });
  const pictures = await Promise.all(Array.from({ length: PICTURES * ROUNDS }, (_, at) => picture(at + 1)));
  // From a thread of its own: what is measured is not held up by what the storm itself has to do.
  const storm = new Worker(STORM, { eval: true, workerData: { url: server.url } });
  const raise = (requests: { path: string; body: string | Buffer }[]): Promise<unknown> => {
    storm.postMessage(requests);
    return once(storm, 'message');
  };
  const storms: [string, (round: number) => Promise<unknown>][] = [
    [
      `${GUESSES} who sign in at once`,
      (round) =>
        raise(
          Array.from({ length: GUESSES }, (_, at) => ({
            path: api.session(),
            body: JSON.stringify({ email: `nobody-${round}-${at}@x.example`, password: 'wrong word', code: '' }),
          })),
        ),
    ],
    [
      `${PICTURES} pictures at once`,
      (round) =>
        raise(pictures.slice(round * PICTURES, (round + 1) * PICTURES).map((body) => ({ path: api.pictures(), body }))),
    ],
    [
      'a long paper',
      () =>
        fetch(`${server.url}${api.jobFile(demoId('signal'), 'room-sheets.pdf')}`).then((answer) =>
          answer.arrayBuffer(),
        ),
    ],
  ];
  try {
    await besides(server, () => pause(1_000));
    const none = await besides(server, () => pause(4_000));
    const figures: Figure[] = [];
    for (const [name, storm] of storms) {
      const waits: number[] = [];
      for (let round = 0; round < ROUNDS; round++) waits.push(...(await besides(server, () => storm(round))));
      figures.push(figure(`a small request beside ${name}, p99`, high(waits), 'ms', 'alone, p99', high(none)));
    }
    return figures;
  } finally {
    await storm.terminate();
    await server.kill();
    gone();
  }
}
