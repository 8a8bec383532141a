import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, installBeside, root, runAndRead } from './ground.mjs';
import { build } from './build.mjs';
import { chromium } from './chromium.mjs';

/**
 * Everything, from a fresh clone: types, lint, import directions, unit and integration tests, build, browser tests.
 * Each of the first three counts as one; the last line counts all that ran.
 */
const compiled = await installBeside();
const total = { passed: 0, failed: 0 };
const began = Date.now();

function count(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  console.log(`— ${name}: ${passed} passed, ${failed} failed (${Math.round((Date.now() - began) / 1000)} s)\n`);
}

async function check(name, command, args) {
  const { ok } = await runAndRead(command, args);
  count(name, ok ? 1 : 0, ok ? 0 : 1);
}

async function tests(name, projects, env = {}) {
  const report = join(root, 'node_modules', '.aftermist', `${name}.json`);
  const { ok } = await runAndRead(
    bin('vitest'),
    [
      'run',
      ...projects.flatMap((project) => ['--project', project]),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ],
    env,
  );
  try {
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8'));
    // A file that could not even be loaded has no failed test of its own, yet it failed.
    count(name, numPassedTests, numFailedTests + (!ok && numFailedTests === 0 ? 1 : 0));
  } catch {
    count(name, 0, 1);
  }
}

// Typed lint takes one core, while the database is compiled and the first tests run on the other.
const lint = runAndRead(bin('eslint'), ['.', '--max-warnings', '0'], {}, true);
await check('import directions', bin('depcruise'), [
  '--config',
  '.dependency-cruiser.cjs',
  'src',
  'demo',
  'scripts',
  'bench',
  'tests',
]);
await check('types', 'npm', ['run', '--silent', 'types']);
await compiled();
build();
await tests('unit and integration', ['unit', 'integration']);
const { ok } = await lint;
count('lint', ok ? 1 : 0, ok ? 0 : 1);
const browser = chromium();
if (browser) await tests('browser', ['browser'], { CHROMIUM: browser });
else {
  console.error(
    'No Chromium: the browser tests did not run. On Debian: apt-get install chromium; elsewhere set CHROMIUM to its path.',
  );
  count('browser', 0, 1);
}
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);
