import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const WAIT_MS = 100;
const TRIES = 300;

export interface Running {
  url: string;
  /** As a power cut would: no chance to tidy up. */
  kill: () => Promise<void>;
}

interface ServeTerms {
  demo?: boolean;
  now?: string;
  port?: number;
  /** What else the environment says. */
  env?: Record<string, string>;
}

/**
 * Starts the built application for real, on a folder of its own, and waits until it answers. It takes a free port by
 * itself and says which: one looked for beforehand may be another program's by the time the server wants it.
 */
export async function serve(
  folder: string,
  { demo = false, now, port = 0, env = {} }: ServeTerms = {},
): Promise<Running> {
  const child = spawn(process.execPath, [join(root, 'scripts/front.mjs')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: {
      ...process.env,
      ...{ NODE_ENV: 'production', HOST: '127.0.0.1', PORT: String(port) },
      AFTERMIST_DATA: folder,
      AFTERMIST_DEMO: demo ? '1' : '0',
      ...(now ? { AFTERMIST_NOW: now } : {}),
      ...env,
    },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += String(part)));
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  for (let tries = 0; tries < TRIES && child.exitCode === null; tries++) {
    const url = /Answers on (http:\S+)/.exec(said)?.[1];
    if (url !== undefined && (await answers(url))) return { url, kill: () => (child.kill('SIGKILL'), gone) };
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  child.kill('SIGKILL');
  throw new Error(`The server did not come up: ${said}`);
}

const answers = (url: string): Promise<boolean> =>
  fetch(`${url}/sign-in`, { redirect: 'manual' }).then(
    // A house that cannot be opened answers too: that it cannot.
    ({ status }) => status < 400 || status === 503,
    () => false,
  );

/** Builds if need be and makes the demo firm in this folder. */
export function makeDemo(folder: string, now?: string): void {
  const env = { ...process.env, AFTERMIST_DATA: folder, ...(now ? { AFTERMIST_NOW: now } : {}) };
  execFileSync(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: ['ignore', 2, 2] });
  execFileSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/seed.ts'], {
    cwd: root,
    env,
    stdio: ['ignore', 2, 2],
  });
}

/** A fresh demo, served; stopping it takes everything away. */
export async function freshDemo(now?: string): Promise<Running> {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
  const demo = join(folder, 'demo');
  makeDemo(demo, now);
  const running = await serve(demo, { demo: true, ...(now ? { now } : {}) });
  return {
    url: running.url,
    kill: async () => {
      await running.kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
