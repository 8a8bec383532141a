import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoId } from '../demo/seed';
import { figure, inTurn, median, type Figure } from './measure';

const root = join(import.meta.dirname, '..');
const PORT = 3999;
const url = `http://127.0.0.1:${PORT}`;

async function until(ready: () => Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    if (await ready().catch(() => false)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('The server did not come up.');
}

/** The heaviest page of a job against a page that reads one row, over HTTP from the same server. */
export async function roomsFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-bench-'));
  const env = { ...process.env, NODE_ENV: 'production', AFTERMIST_DATA: join(folder, 'demo'), AFTERMIST_DEMO: '1' } as const;
  execFileSync(process.execPath, [join(root, 'scripts', 'build.mjs')], { cwd: root, stdio: ['ignore', 2, 2] });
  execFileSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/seed.ts'], { cwd: root, env, stdio: ['ignore', 2, 2] });
  const server = spawn(process.execPath, [join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '--port', String(PORT), '--hostname', '127.0.0.1'], { cwd: root, env, stdio: 'ignore' });
  try {
    await until(async () => (await fetch(`${url}/sign-in`, { redirect: 'manual' })).status < 500);
    const page = (path: string) => async (): Promise<void> => {
      const response = await fetch(`${url}${path}`);
      const text = await response.text();
      if (!text.includes('</html>')) throw new Error(`${path} answered ${response.status}`);
    };
    const [rooms = [], simple = []] = await inTurn(60, [page(`/jobs/${demoId('signal')}`), page('/s/none')]);
    return [figure('Rooms page of Signal House', median(rooms), 'ms', 'simplest dynamic page of the same server', median(simple))];
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}
