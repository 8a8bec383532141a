import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { root, TODAY } from './houses';

export interface Server {
  url: string;
  /** As a power cut would: no chance to tidy up. */
  kill: () => Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer().on('error', reject).listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => (address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port'))));
    });
  });

const gone = (child: ChildProcess): Promise<void> => new Promise((resolve) => (child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve())));

/** The built application as it is started for real, on a folder of its own. */
export async function serve(folder: string, options: { demo?: boolean; port?: number } = {}): Promise<Server> {
  const port = options.port ?? (await freePort());
  const child = spawn(process.execPath, [join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '--port', String(port), '--hostname', '127.0.0.1'], {
    cwd: root, stdio: ['ignore', 'ignore', 'pipe'], env: { ...process.env, NODE_ENV: 'production', AFTERMIST_DATA: folder, AFTERMIST_DEMO: options.demo ? '1' : '0', AFTERMIST_TODAY: TODAY },
  });
  let said = '';
  child.stderr.on('data', (part) => (said += String(part)));
  const url = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 300; tries++) {
    if (child.exitCode !== null) throw new Error(`The server stopped: ${said}`);
    if (await fetch(`${url}/sign-in`, { redirect: 'manual' }).then((response) => response.status < 500, () => false)) {
      return { url, kill: async () => { child.kill('SIGKILL'); await gone(child); } };
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`The server did not come up: ${said}`);
}
