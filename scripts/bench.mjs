import { join } from 'node:path';
import { bundle, root, run } from './toolchain.mjs';

/** `npm run bench [-- NAME …]`: bundled as the server's threads are, since code that is changed while it loads is slower. */
const bench = join(root, '.built', 'bench.mjs');
const bundled = bundle(['bench/run.ts'], `--outfile=${bench}`);
process.exit(bundled && run(process.execPath, [bench, ...process.argv.slice(2)]) ? 0 : 1);
