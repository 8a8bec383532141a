import { join } from 'node:path';
import { bin, root, run } from './toolchain.mjs';

/** `npm run bench [-- NAME …]`: bundled as the server's threads are, since code that is changed while it loads is slower. */
const bundle = join(root, '.built', 'bench.mjs');
const bundled = run(bin('esbuild'), [
  'bench/run.ts',
  '--bundle',
  '--platform=node',
  '--format=esm',
  '--target=node20',
  '--packages=external',
  '--log-level=warning',
  `--outfile=${bundle}`,
]);
process.exit(bundled && run(process.execPath, [bundle, ...process.argv.slice(2)]) ? 0 : 1);
