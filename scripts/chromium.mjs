import { existsSync } from 'node:fs';
import { run } from './toolchain.mjs';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];
const found = () => [process.env.CHROMIUM, ...PLACES].find((path) => path && existsSync(path));

/** A Chromium for the browser tests: what is there, else Debian's, where this may install it; undefined where neither. */
export function chromium() {
  const there = found();
  if (there) return there;
  if (process.platform !== 'linux' || process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) return undefined;
  console.log('Installing Chromium from Debian’s packages …');
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], quiet);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-dejavu-core'], quiet);
  return found();
}
