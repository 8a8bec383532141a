import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bin, contentHash, once, root, run } from './toolchain.mjs';

/** Builds the application and the planner's thread, unless both are built from just this source. */
export function build() {
  const made = [join(root, '.next', 'BUILD_ID'), join(root, '.built', 'planner.mjs')].every((file) => existsSync(file));
  once(
    'built',
    contentHash(['src', 'package-lock.json', 'next.config.ts', 'tsconfig.json']),
    () => {
      console.log('Building …');
      const thread = run(bin('esbuild'), [
        'src/workers/planner.ts',
        '--bundle',
        '--platform=node',
        '--format=esm',
        '--target=node20',
        '--external:better-sqlite3',
        '--log-level=warning',
        '--outfile=.built/planner.mjs',
        "--banner:js=import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
      ]);
      if (!thread || !run(bin('next'), ['build'])) process.exit(1);
    },
    made,
  );
}

if (process.argv[1]?.endsWith('build.mjs')) build();
