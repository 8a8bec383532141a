/*
 * Opens Walk where there is no signal. The shell is one page that draws any walk from what the device keeps; it and the files it
 * needs are fetched ahead, and renewed whenever the application is open with a connection. Pages that are looked up on site are
 * answered as they were seen last, and say so. Nothing else is answered from here:
 * what was recorded is kept and sent by the page itself.
 */
const SHELL = 'aftermist-shell-1';
const PICTURES = 'aftermist-pictures-1';
/** Pages as they were seen last, kept by the application while it has a connection. */
const SEEN = 'aftermist-seen-1';
const SHELL_PATH = '/walk';
const MOST_PICTURES = 300;
/** A line that is there in name only counts as none after so long. */
const PATIENCE_MS = 6000;

self.addEventListener('install', (event) => event.waitUntil(renew().then(() => self.skipWaiting())));
self.addEventListener('activate', (event) => event.waitUntil(dropOthers().then(() => self.clients.claim())));
self.addEventListener('message', (event) => {
  if (event.data === 'renew') event.waitUntil(renew().catch(() => undefined));
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(fromCacheFirst(SHELL, request));
  else if (/^\/api\/pictures\/[0-9a-f]{64}$/.test(url.pathname)) event.respondWith(fromCacheFirst(PICTURES, request));
  else if (request.mode === 'navigate') event.respondWith(navigate(request));
});

/** The server's own page; where nobody answers, that page as it was seen last, else the shell. */
async function navigate(request) {
  try {
    return await within(fetch(request), new URL(request.url).pathname.startsWith(SHELL_PATH) ? PATIENCE_MS : 20000);
  } catch {
    const seen = await (await caches.open(SEEN)).match(request, { ignoreSearch: true });
    return seen ?? (await caches.match(SHELL_PATH)) ?? Response.error();
  }
}

function within(promise, ms) {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('no answer')), ms);
    promise.then(resolve, reject).finally(() => clearTimeout(timer));
  });
}

async function fromCacheFirst(name, request) {
  const cache = await caches.open(name);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) {
    await cache.put(request, answer.clone());
    if (name === PICTURES) await letGo(cache);
  }
  return answer;
}

/** The oldest pictures make room for new ones. */
async function letGo(cache) {
  const keys = await cache.keys();
  for (const key of keys.slice(0, Math.max(0, keys.length - MOST_PICTURES))) await cache.delete(key);
}

/** Fetches the shell and every file that it or its styles name. */
async function renew() {
  const cache = await caches.open(SHELL);
  const answer = await fetch(SHELL_PATH, { cache: 'no-store' });
  if (!answer.ok) throw new Error('the shell was not answered');
  const page = await answer.clone().text();
  const files = new Set(named(page));
  for (const file of files) {
    if (!file.endsWith('.css')) continue;
    for (const inner of named(await (await fetchInto(cache, file)).text(), file)) files.add(inner);
  }
  await Promise.all([...files].map((file) => fetchInto(cache, file)));
  // Last of all: a shell is only kept once all of it is there.
  await cache.put(SHELL_PATH, answer);
  for (const key of await cache.keys()) {
    const path = new URL(key.url).pathname;
    if (path !== SHELL_PATH && !files.has(path)) await cache.delete(key);
  }
}

async function fetchInto(cache, file) {
  const kept = await cache.match(file);
  if (kept) return kept;
  const answer = await fetch(file);
  if (!answer.ok) throw new Error(`${file} was not answered`);
  await cache.put(file, answer.clone());
  return answer;
}

/** Files of ours that a text names; those of a style are named from where it lies. */
function named(text, from = '/') {
  const ours = /(?:\/_next\/)?static\/(?:chunks|css|media)\/[\w./~%[\]()-]+?\.(?:js|css|woff2?)/g;
  const plain = [...text.matchAll(ours)].map(([path]) => (path.startsWith('/') ? path : `/_next/${path}`));
  if (from === '/') return plain;
  const urls = [...text.matchAll(/url\(["']?([^"')]+)["']?\)/g)]
    .map((match) => new URL(match[1], `https://here${from}`).pathname)
    .filter((path) => path.startsWith('/_next/'));
  return [...new Set([...plain, ...urls])];
}

async function dropOthers() {
  for (const name of await caches.keys()) if (![SHELL, PICTURES, SEEN].includes(name)) await caches.delete(name);
}
