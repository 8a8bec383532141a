import { bin, root, runAndRead } from './toolchain.mjs';
import { join } from 'node:path';

/**
 * What is looked at before a commit, in two lanes: layout, import directions and types beside lint and the tests of the
 * core. Caches make the second run short.
 */
export const CHECKS = {
  layout: () => runAndRead(bin('prettier'), ['--check', '--log-level=warn', '--cache', '.'], {}, true),
  styles: () =>
    runAndRead(bin('stylelint'), ['src/**/*.scss', '--cache', '--cache-location', cacheOf('styles')], {}, true),
  imports: () =>
    runAndRead(
      bin('depcruise'),
      ['--config', '.dependency-cruiser.cjs', 'src', 'demo', 'scripts', 'bench', 'tests'],
      {},
      true,
    ),
  'dead exports': () => runAndRead(bin('knip'), ['--no-progress'], {}, true),
  types: () => runAndRead('npm', ['run', '--silent', 'types'], {}, true),
  lint: () =>
    runAndRead(bin('eslint'), ['.', '--max-warnings', '0', '--cache', '--cache-location', cacheOf('lint')], {}, true),
};

function cacheOf(name) {
  return join(root, 'node_modules', '.aftermist', `${name}.cache`);
}

/** Runs some of them one after the other. @returns how each ended, told as it ends */
export async function lane(names, tell) {
  for (const name of names) {
    const began = performance.now();
    const { ok } = await CHECKS[name]();
    tell(name, ok, Math.round((performance.now() - began) / 1000));
  }
}

if (process.argv[1]?.endsWith('check.mjs')) {
  let passed = true;
  const tell = (name, ok, seconds) => {
    passed &&= ok;
    console.log(`${ok ? '✓' : '✗'} ${name} (${seconds} s)`);
  };
  const unit = async () => {
    const began = performance.now();
    const { ok } = await runAndRead(bin('vitest'), ['run', '--project', 'unit', '--reporter=dot'], {}, true);
    tell('unit tests', ok, Math.round((performance.now() - began) / 1000));
  };
  await Promise.all([
    lane(['layout', 'styles', 'lint'], tell).then(unit),
    lane(['types', 'imports', 'dead exports'], tell),
  ]);
  process.exit(passed ? 0 : 1);
}
