import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './toolchain.mjs';

/** Starts the built application on 127.0.0.1 and stays; stopping this stops it. */
export function serve(env, ready) {
  const port = process.env.PORT ?? '3000';
  const host = process.env.HOST ?? '127.0.0.1';
  const child = spawn(process.execPath, [join(root, 'scripts', 'front.mjs')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env, NODE_ENV: 'production', HOST: host, PORT: port },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
  const url = `http://${host}:${port}`;
  void (async () => {
    for (let tries = 0; tries < 240; tries++) {
      const up = await fetch(`${url}/health`).then(
        (response) => response.status < 500,
        () => false,
      );
      if (up) return console.log(ready(url));
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  })();
}
