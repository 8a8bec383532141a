import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import { hostname } from 'node:os';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { readHosts } from './environment.mjs';
import { codeToFound, faultOf } from './folder-check.mjs';

/**
 * What stands before the framework: it answers for health, refuses what the framework would stumble over or should not
 * be asked at all, and says truly where a request comes from. Plain JavaScript, since it is what is started.
 */

const METHODS = 'GET HEAD POST PUT DELETE'.split(' ');
/** Names under which a machine reaches itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
/** A body that never comes to its end is given up. */
const REQUEST_MS = 120_000;
/** Behind a certificate browsers are told, for a year, to come by it alone. What is built knows nothing of how it is served. */
const STAY_ENCRYPTED = 'max-age=31536000';
/** Requests under way when it is to stop are ended by themselves, but not for longer. */
const STOP_MS = 10_000;

/** @typedef {{ hosts: ReadonlySet<string>, anyAddress: boolean, proxies: ReadonlySet<string> }} Trust */

/**
 * Under which names this house answers, and whose word about where a request came from is believed. A name that somebody
 * else points here is no name of ours: a page from there could read what a browser here may read.
 * @param {Record<string, string | undefined>} env
 * @returns {Trust}
 */
export function trustOf(env) {
  const { hosts, proxies } = readHosts(env);
  const isDemo = env.AFTERMIST_DEMO === '1';
  const own = isDemo ? [] : [hostname().toLowerCase(), `${hostname().toLowerCase()}.local`, ...hosts];
  return { hosts: new Set([...LOOPBACK, ...own]), anyAddress: !isDemo, proxies: new Set(proxies) };
}

/** @param {string} host with or without its port */
const nameOf = (host) => host.replace(/:\d+$/, '').toLowerCase();

/** @param {Trust} trust @param {string | undefined} host */
export function isOurs({ hosts, anyAddress }, host) {
  const name = nameOf(host ?? '');
  // An address of digits is nobody's to point elsewhere.
  return hosts.has(name) || (anyAddress && isIP(name.replace(/^\[|\]$/g, '')) > 0);
}

/**
 * Why a request is not handed on; nothing where it is.
 * @param {Trust} trust
 * @param {{ method?: string, url?: string, headers: Record<string, string | string[] | undefined> }} request
 * @returns {{ status: number, words: string } | undefined}
 */
export function refusalOf(trust, { method = '', url = '', headers }) {
  if (!METHODS.includes(method)) return { status: 405, words: 'This method is not known here.' };
  if (!isOurs(trust, headers.host))
    return {
      status: 421,
      words: 'This is no address of this house. Whoever runs it names it in AFTERMIST_HOSTS, if it is to be one.',
    };
  if (!isReadable(url)) return { status: 400, words: 'This address cannot be read.' };
  // Pictures are made small by the application itself, by the right to see them; nothing else keeps copies of them.
  if (/^\/_next\/image\b/.test(url)) return { status: 404, words: 'There is nothing here.' };
  const tree = headers['next-router-state-tree'];
  if (tree !== undefined && !isState(String(tree))) return { status: 400, words: 'This request cannot be read.' };
  return undefined;
}

/** @param {string} url */
function isReadable(url) {
  try {
    return !decodeURIComponent(url.split('?', 1)[0] ?? '').includes('\0');
  } catch {
    return false;
  }
}

/** @param {string} text */
function isState(text) {
  try {
    return Array.isArray(JSON.parse(decodeURIComponent(text)));
  } catch {
    return false;
  }
}

const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port'];

/**
 * Writes into the headers where a request comes from: from the connection, or from the last proxy that is named.
 * @param {Trust} trust
 * @param {Record<string, string | string[] | undefined>} headers
 * @param {string} remote the address at the other end of the connection
 */
export function sayOrigin(trust, headers, remote) {
  const address = remote.replace(/^::ffff:/, '');
  const said = Object.fromEntries(FORWARDED.map((name) => [name, headers[name]]));
  for (const name of FORWARDED) delete headers[name];
  headers['x-forwarded-for'] = address;
  headers['x-forwarded-proto'] = 'http';
  if (!trust.proxies.has(address)) return;
  const last = String(said['x-forwarded-for'] ?? '')
    .split(',')
    .at(-1)
    ?.trim();
  if (last) headers['x-forwarded-for'] = last;
  if (said['x-forwarded-proto'] === 'https') headers['x-forwarded-proto'] = 'https';
  const host = said['x-forwarded-host'];
  if (typeof host === 'string' && isOurs(trust, host)) headers['x-forwarded-host'] = host;
}

/**
 * What a page may load and run: what comes from here, and of what stands in the page itself only scripts that carry the
 * word of this one answer. Styles may stand at what they style, as drawings need it.
 * @param {string} nonce
 */
const policyOf = (nonce) =>
  [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'unsafe-inline'`,
    `img-src 'self' blob: data:`,
    `media-src 'self' blob:`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ');

/**
 * A header that an answer gets unless it says another one itself.
 * @param {import('node:http').ServerResponse} response @param {string} name @param {string} value
 */
function unlessSaid(response, name, value) {
  const write = response.writeHead;
  response.writeHead = /** @type {typeof write} */ (
    (/** @type {unknown[]} */ ...given) => {
      if (!response.hasHeader(name)) response.setHeader(name, value);
      return Reflect.apply(write, response, given);
    }
  );
}

/** What opens something by itself stands in no log: the secrets of links, invitations and calendars, and what is asked for. */
const SECRETS = /^\/(s|join|calendar|api\/join)\/(?!own\b)[^/.?]+/;

/** An address as it may be kept. @param {string} url */
export const withoutSecrets = (url) => (url.split('?', 1)[0] ?? '').replace(SECRETS, '/$1/…');

/**
 * One line of JSON for each request, once it is answered: when, from where, what, how it went and how long it took.
 * @param {import('node:http').IncomingMessage} request @param {import('node:http').ServerResponse} response
 */
function logOnceAnswered(request, response) {
  const began = performance.now();
  response.once('close', () => {
    const { method, url = '', headers } = request;
    const line = { at: new Date().toISOString(), from: headers['x-forwarded-for'], method, path: withoutSecrets(url) };
    const took = {
      status: response.statusCode,
      ms: Math.round(performance.now() - began),
      whole: response.writableEnded,
    };
    console.log(JSON.stringify({ ...line, ...took }));
  });
}

/** @param {{ dir: string, host: string, port: number }} terms @returns {Promise<void>} once it answers */
export async function startFront({ dir, host, port }) {
  // What a house writes is for nobody else on the machine.
  process.umask(0o077);
  const trust = trustOf(process.env);
  const folder = process.env.AFTERMIST_DATA ?? join(dir, 'var', 'firm');
  const fault = faultOf(folder, join(dir, 'migrations'));
  if (fault) return await startClosed(fault, { host, port });
  // Only once it serves: it changes how modules are found in whatever process loads it.
  const { default: next } = await import('next');
  const app = next({ dev: false, dir, hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const server = createServer({ requestTimeout: REQUEST_MS }, (request, response) => {
    if (request.url === '/health' && request.method === 'GET')
      return void response.writeHead(200, { 'content-type': 'application/json' }).end('{"answers":true}');
    const refused = refusalOf(trust, request);
    if (refused)
      return void response
        .writeHead(refused.status, {
          'content-type': 'text/plain; charset=utf-8',
          connection: 'close',
          ...(refused.status === 405 ? { allow: METHODS.join(', ') } : {}),
        })
        .end(refused.words);
    sayOrigin(trust, request.headers, request.socket.remoteAddress ?? '');
    if (process.env.AFTERMIST_LOG === '1') logOnceAnswered(request, response);
    const policy = policyOf(randomBytes(16).toString('base64'));
    // The framework reads the word off the request, and writes it into the scripts of the page.
    request.headers['content-security-policy'] = policy;
    unlessSaid(response, 'content-security-policy', policy);
    if (process.env.AFTERMIST_SECURE === '1') unlessSaid(response, 'strict-transport-security', STAY_ENCRYPTED);
    void handle(request, response);
  });
  const url = await listen(server, { host, port });
  const code = process.env.AFTERMIST_DEMO === '1' ? undefined : codeToFound(folder);
  if (code) console.log(`Whoever founds the firm at ${url}/welcome?code=${code} is asked for this code: ${code}`);
}

/**
 * A house that cannot be served says so, on every page and in one line where it was started; it stays, so that whoever
 * minds it finds it so.
 * @param {string} fault @param {{ host: string, port: number }} at
 */
async function startClosed(fault, at) {
  console.error(fault);
  const page = closedPage(fault);
  const server = createServer((_, response) => {
    response.writeHead(503, {
      'content-type': 'text/html; charset=utf-8',
      'cache-control': 'no-store',
      'content-security-policy': `default-src 'none'; style-src 'unsafe-inline'`,
    });
    response.end(page);
  });
  await listen(server, at);
}

/** @param {string} text */
const escaped = (text) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** @param {string} fault */
const closedPage = (fault) => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Not open · Aftermist</title>
<style>
body { font: 17px/1.5 system-ui, sans-serif; background: #f6f4ee; color: #15262b; }
body { max-width: 40rem; margin: 3rem auto; padding: 0 1rem; }
</style>
<h1>This house cannot be opened</h1>
<p>${escaped(fault)}</p>
<p>Nothing was changed and nothing was made anew. Records that wait on telephones stay there until it answers again.</p>
</html>
`;

/**
 * @param {import('node:http').Server} server @param {{ host: string, port: number }} at
 * @returns {Promise<string>} its address, once it answers
 */
async function listen(server, { host, port }) {
  const stop = () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), STOP_MS).unref();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  await new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => resolve(undefined));
  });
  const bound = server.address();
  const at = bound && typeof bound === 'object' ? bound.port : port;
  const url = `http://${host.includes(':') ? `[${host}]` : host}:${at}`;
  console.log(`Answers on ${url}`);
  return url;
}
