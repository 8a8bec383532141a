import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bin, bundle, contentHash, once, root, run } from './toolchain.mjs';

/** Threads of the server, bundled since Node loads them itself. */
const THREADS = ['planner', 'desk'];

/** Builds the application and the threads, unless all are built from just this source. */
export function build() {
  const made = [join(root, '.next', 'BUILD_ID'), ...THREADS.map((name) => join(root, '.built', `${name}.mjs`))].every(
    (file) => existsSync(file),
  );
  once(
    'built',
    contentHash([
      'src',
      'scripts/build.mjs',
      'scripts/toolchain.mjs',
      'package-lock.json',
      'next.config.ts',
      'tsconfig.json',
    ]),
    () => {
      console.log('Building …');
      const threads = bundle(
        THREADS.map((name) => `src/workers/${name}.ts`),
        '--outdir=.built',
        '--out-extension:.js=.mjs',
      );
      if (!threads || !run(bin('next'), ['build'])) process.exit(1);
    },
    made,
  );
}

if (process.argv[1]?.endsWith('build.mjs')) build();
