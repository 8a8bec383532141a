import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const WAIT_MS = 100;
const TRIES = 300;

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer()
      .on('error', reject)
      .listen(0, '127.0.0.1', () => {
        const address = probe.address();
        probe.close(() =>
          address && typeof address === 'object' ? resolve(address.port) : reject(new Error('There is no free port.')),
        );
      });
  });

export interface Running {
  url: string;
  /** As a power cut would: no chance to tidy up. */
  kill: () => Promise<void>;
}

/** Starts the built application for real, on a folder of its own, and waits until it answers. */
export async function serve(
  folder: string,
  { demo = false, now, port }: { demo?: boolean; now?: string; port?: number } = {},
): Promise<Running> {
  const url = `http://127.0.0.1:${port ?? (await freePort())}`;
  const child = spawn(
    process.execPath,
    [
      join(root, 'node_modules', 'next', 'dist', 'bin', 'next'),
      'start',
      '--port',
      new URL(url).port,
      '--hostname',
      '127.0.0.1',
    ],
    {
      cwd: root,
      stdio: ['ignore', 'ignore', 'pipe'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        AFTERMIST_DATA: folder,
        AFTERMIST_DEMO: demo ? '1' : '0',
        ...(now ? { AFTERMIST_NOW: now } : {}),
      },
    },
  );
  let said = '';
  child.stderr.on('data', (part) => (said += String(part)));
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  for (let tries = 0; tries < TRIES; tries++) {
    if (child.exitCode !== null) throw new Error(`The server stopped: ${said}`);
    if (
      await fetch(`${url}/sign-in`, { redirect: 'manual' }).then(
        (response) => response.status < 500,
        () => false,
      )
    ) {
      return { url, kill: () => (child.kill('SIGKILL'), gone) };
    }
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  child.kill('SIGKILL');
  throw new Error(`The server did not come up: ${said}`);
}

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
