import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** What every command stands on. Node's own modules only: it also installs the others. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
export const bin = (name) => join(root, 'node_modules', '.bin', name);

/** Runs to the end, showing what it prints; @returns whether it went well */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  return done.status === 0;
}

/** Bundles for Node, which loads it itself: packages are left where they are. */
export const bundle = (entries, ...out) =>
  run(bin('esbuild'), [
    ...entries,
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--packages=external',
    '--log-level=warning',
    ...out,
  ]);

/** Runs to the end, gathering what it prints and showing it: as it comes, or `atEnd`, beside something else that prints. */
export function runAndRead(command, args, env = {}, atEnd = false) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (part) => {
        text += part;
        if (!atEnd) process.stdout.write(part);
      });
    }
    child.on('error', (error) => resolve({ ok: false, text: `${text}\n${error.message}` }));
    child.on('close', (status) => {
      if (atEnd) process.stdout.write(text);
      resolve({ ok: status === 0, text });
    });
  });
}

const hash = (parts) => parts.reduce((sum, part) => sum.update(part), createHash('sha256')).digest('hex');

/** Names and contents of files under these places, in a fixed order. */
export function contentHash(places) {
  const files = (place) => {
    const path = join(root, place);
    if (!existsSync(path)) return [];
    return statSync(path).isDirectory()
      ? readdirSync(path)
          .sort()
          .flatMap((name) => files(join(place, name)))
      : [place];
  };
  return hash(places.flatMap(files).flatMap((file) => [file, readFileSync(join(root, file))]));
}

const STAMPS = join(root, 'node_modules', '.aftermist');

const isDone = (name, content) =>
  existsSync(join(STAMPS, name)) && readFileSync(join(STAMPS, name), 'utf8') === content;

function markDone(name, content) {
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(join(STAMPS, name), content);
}

/** Does the work unless it was done for the same content already, and what it made is still there. */
export function once(name, content, work, still = true) {
  if (still && isDone(name, content)) return;
  work();
  markDone(name, content);
}

// Never fetched ready-made: what runs is what was compiled here.
const COMPILING = { JOBS: String(availableParallelism()), npm_config_build_from_source: 'true' };
const QUIET = ['--no-audit', '--no-fund', '--loglevel=error'];

function giveUp() {
  console.error('The packages could not be installed. A C++ compiler, make and Python 3 are needed for the database.');
  process.exit(1);
}

/** Whoever commits here has layout and lint looked at first; a copy without its history has nothing to commit to. */
function hook() {
  if (existsSync(join(root, '.git'))) spawnSync('git', ['config', 'core.hooksPath', '.githooks'], { cwd: root });
}

/** Brings node_modules to what the lock file says. */
export const install = async () => (await installBeside())();

/**
 * The same with the compiling of the database left to run beside other work, which then needs no database.
 * @returns what waits until it is compiled
 */
export async function installBeside() {
  const content = contentHash(['package-lock.json']) + process.version;
  if (isDone('installed', content)) return () => Promise.resolve();
  hook();
  console.log('Installing the packages (the database is compiled once; this takes a few minutes) …');
  if (!run('npm', ['ci', '--ignore-scripts', ...QUIET])) giveUp();
  const compiling = runAndRead('npm', ['rebuild', ...QUIET], COMPILING, true);
  return async () => {
    const { ok } = await compiling;
    if (!ok) giveUp();
    markDone('installed', content);
  };
}
