import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from './build.mjs';
import { CHECKS, lane } from './check.mjs';
import { chromium } from './chromium.mjs';
import { bin, installBeside, root, runAndRead } from './toolchain.mjs';

/**
 * Everything, from a fresh clone, in two lanes: the checks, which need no database, beside its compiling, the build and
 * then the tests. Each check counts as one; the last line counts all that ran.
 */
const began = Date.now();
const total = { passed: 0, failed: 0 };

function count(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  console.log(`— ${name}: ${passed} passed, ${failed} failed (after ${Math.round((Date.now() - began) / 1000)} s)\n`);
}

const tell = (name, ok) => count(name, ok ? 1 : 0, ok ? 0 : 1);

/** Runs these projects of tests together. @returns nothing; every test is counted */
async function tests(projects, env = {}) {
  const report = join(root, 'node_modules', '.aftermist', 'tests.json');
  const terms = [...projects.flatMap((project) => ['--project', project]), '--reporter=default', '--reporter=json'];
  const { ok } = await runAndRead(bin('vitest'), ['run', ...terms, `--outputFile.json=${report}`], env);
  try {
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8'));
    // A file that could not even be loaded has no failed test of its own, yet it failed.
    count(projects.join(', '), numPassedTests, numFailedTests + (!ok && numFailedTests === 0 ? 1 : 0));
  } catch {
    count(projects.join(', '), 0, 1);
  }
}

const compiled = await installBeside();
const browser = chromium();
const checked = lane(Object.keys(CHECKS), tell);
await compiled();
build();
if (!browser) {
  console.error(
    'No Chromium: the browser tests did not run. On Debian: apt-get install chromium; elsewhere set CHROMIUM to its path.',
  );
  count('browser', 0, 1);
}
await tests(['unit', 'integration', ...(browser ? ['browser'] : [])], browser ? { CHROMIUM: browser } : {});
await checked;
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);
