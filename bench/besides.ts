import type { Running } from '../scripts/demo-server';

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
/** What all but a part of some times stay under. */
export const high = (times: readonly number[], part = 0.99): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * part)] ?? Number.NaN;

/** What a small request waits, asked again and again while something goes on. */
export async function besides(server: Running, act: () => Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  const state = { over: false };
  const going = act().finally(() => (state.over = true));
  do {
    const began = performance.now();
    await (await fetch(`${server.url}/s/none`)).arrayBuffer();
    times.push(performance.now() - began);
    await pause(5);
  } while (!state.over);
  await going;
  return times;
}
