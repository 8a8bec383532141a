import { join } from 'node:path';
import { bin, install, root, run } from './toolchain.mjs';
import { build } from './build.mjs';
import { serve } from './serve.mjs';
import { refuseWrongEnvironment } from '../src/server/environment.mjs';

// The demo firm in a file of its own, so that it never mixes with a real one.
refuseWrongEnvironment();
await install();
build();
// A demo of another day is another firm.
const fixed = (process.env.AFTERMIST_NOW ?? process.env.AFTERMIST_TODAY ?? '').slice(0, 10);
const env = {
  AFTERMIST_DEMO: '1',
  AFTERMIST_DATA: process.env.AFTERMIST_DATA ?? join(root, 'var', `demo${fixed ? `-${fixed}` : ''}`),
};
console.log('Making the demo firm, unless it is there …');
if (!run(bin('tsx'), ['scripts/seed.ts'], env)) process.exit(1);
serve(env, (url) =>
  [
    '',
    `Aftermist with its demo firm is at ${url}`,
    'Every visitor is its contractor; the menu behind the name at the right lets you be somebody else.',
    'Delete var/demo to begin again.',
    '',
  ].join('\n'),
);
