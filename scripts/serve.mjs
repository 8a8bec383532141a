import { spawn } from 'node:child_process';
import { bin, root } from './toolchain.mjs';

/** Starts the built application on 127.0.0.1 and stays; stopping this stops it. */
export function serve(env, ready) {
  const port = process.env.PORT ?? '3000';
  const host = process.env.HOST ?? '127.0.0.1';
  const child = spawn(process.execPath, [bin('next'), 'start', '--port', port, '--hostname', host], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
  const url = `http://${host}:${port}`;
  void (async () => {
    for (let tries = 0; tries < 240; tries++) {
      const up = await fetch(`${url}/sign-in`).then(
        (response) => response.status < 500,
        () => false,
      );
      if (up) return console.log(ready(url));
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  })();
}
