import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { chromium } from './chromium.mjs';
import { MAIN_VIEWS } from '../tests/support/main-views';

/** Refreshes docs/screenshots from a fresh demo on its fixed day, at the desk's size and one phone's. */
const root = join(import.meta.dirname, '..');
const PORT = 3998;
const url = `http://127.0.0.1:${PORT}`;
const SIZES = { desk: { width: 1280, height: 800 }, phone: { width: 390, height: 844, isMobile: true, hasTouch: true } } as const;

const folder = mkdtempSync(join(tmpdir(), 'aftermist-shots-'));
const env = { ...process.env, NODE_ENV: 'production' as const, AFTERMIST_DATA: join(folder, 'demo'), AFTERMIST_DEMO: '1', AFTERMIST_TODAY: '2027-03-09' };
execFileSync(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: 'inherit' });
execFileSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/seed.ts'], { cwd: root, env, stdio: 'inherit' });
const server = spawn(process.execPath, [join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '--port', String(PORT), '--hostname', '127.0.0.1'], { cwd: root, env, stdio: 'ignore' });
const executablePath = chromium();
if (!executablePath) throw new Error('There is no Chromium to take pictures with.');
const browser = await puppeteer.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--force-color-profile=srgb'] });
try {
  for (let tries = 0; tries < 300; tries++) {
    if (await fetch(`${url}/sign-in`, { redirect: 'manual' }).then((response) => response.status < 500, () => false)) break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  mkdirSync(join(root, 'docs', 'screenshots'), { recursive: true });
  const page = await browser.newPage();
  for (const view of MAIN_VIEWS) {
    for (const size of ['desk', 'phone'] as const) {
      const file = view.file?.[size];
      if (!file) continue;
      await page.setViewport(SIZES[size]);
      await page.goto(`${url}${view.path}`, { waitUntil: 'load' });
      await new Promise((resolve) => setTimeout(resolve, 800));
      await page.screenshot({ path: join(root, 'docs', 'screenshots', file) as `${string}.png` });
      console.log(file);
    }
  }
} finally {
  await browser.close();
  server.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
