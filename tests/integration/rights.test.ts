import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { COMMANDS } from '@/contract/commands';
import { openSession } from '@/server/accounts/sessions';
import { openDatabase } from '@/server/database/open';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { needAllSeen, seesOf } from '@/server/rights/sees';
import { tokenOf } from '@/server/tokens';
import { demoId } from '../../demo/seed';
import { demoHouse, newId, NOW, root } from '../support/installations';
import { serve, type Server } from '../support/server';

/** Tobin leads the Signal House and Tannery Row, and sees no prices; the other jobs are none of his. */
const SIGNAL = demoId('signal');
/** Of which of his jobs a path is filled: only one has orders. */
const his = (path: string): string => (path.includes('[order]') ? demoId('tannery') : SIGNAL);
const OTHERS = [demoId('dairy'), demoId('linden')];

const CABINETS = demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets');
let cabinetsVersion = 0;

type Identity = 'nobody' | 'sub' | 'lead' | 'office' | 'contractor';
const PEOPLE = { lead: 'tobin', office: 'isolde', contractor: 'maren' } as const;

let server: Server;
let place: string;
const cookies: Partial<Record<Identity, string>> = {};
/** Words and ids by which another job would show. */
let marks: string[] = [];

beforeAll(async () => {
  place = mkdtempSync(join(tmpdir(), 'aftermist-rights-'));
  cpSync(inject('demo'), place, { recursive: true });
  const db = openDatabase(join(place, 'aftermist.sqlite'), join(root, 'migrations'));
  execute(db, 'UPDATE firm SET demo = 0');
  for (const [identity, key] of Object.entries(PEOPLE)) {
    const token = openSession(db, demoId('person', key), { device: 'a desk', source: '127.0.0.1' }, NOW);
    cookies[identity as Identity] = `aftermist=${token}`;
  }
  const of = JSON.stringify(OTHERS);
  marks = queryAll<{ mark: string | null }>(
    db,
    `WITH other AS (SELECT value AS id FROM json_each(@of))
      SELECT id AS mark FROM area WHERE job IN other
      UNION SELECT id FROM selection WHERE job IN other
      UNION SELECT id FROM walk WHERE job IN other
      UNION SELECT id FROM observation WHERE job IN other
      UNION SELECT id FROM job WHERE id IN other
      UNION SELECT name FROM job WHERE id IN other
      UNION SELECT address FROM job WHERE id IN other
      UNION SELECT client_email FROM job WHERE id IN other`,
    { of },
  ).flatMap(({ mark }) => (mark ? [mark] : []));
  ids = idsOf(db);
  cabinetsVersion =
    queryOne<{ version: number }>(db, 'SELECT version FROM selection WHERE id = @CABINETS', { CABINETS })?.version ?? 0;
  db.close();
  server = await serve(place);
});
afterAll(async () => {
  await server.kill();
  rmSync(place, { recursive: true, force: true });
});

type Ids = Record<string, (job: string) => string>;
let ids: Ids;

/** What stands in a path between brackets, of a job. */
function idsOf(db: ReturnType<typeof openDatabase>): Ids {
  const first = (sql: string): Map<string, string> =>
    new Map(queryAll<{ job: string; id: string }>(db, sql).map(({ job, id }) => [job, id]));
  const of = (rows: Map<string, string>) => (job: string) => rows.get(job) ?? newId();
  const link = queryOne<{ id: string }>(db, `SELECT id FROM share_link WHERE job = @job AND audience = 'client'`, {
    job: SIGNAL,
  });
  return {
    job: (job) => job,
    area: of(first('SELECT job, id FROM area')),
    selection: of(first('SELECT job, id FROM selection ORDER BY length(alternatives)')),
    walk: of(first('SELECT job, id FROM walk WHERE finished_at IS NOT NULL')),
    order: of(first('SELECT job, id FROM purchase_order')),
    hash: of(first(`SELECT job, picture AS id FROM observation WHERE kind = 'picture'`)),
    name: () => 'cut-list',
    file: () => 'sheet.pdf',
    session: () => newId(),
    link: of(first(`SELECT job, id FROM share_link WHERE audience = 'client'`)),
    token: () => link?.id ?? '',
  };
}

const ask = (path: string, identity: Identity, method = 'GET'): Promise<Response> =>
  fetch(`${server.url}${path}`, {
    method,
    redirect: 'manual',
    headers: { origin: server.url, ...(cookies[identity] ? { cookie: cookies[identity] } : {}) },
  });

const give = (to: 'commands' | 'preview', identity: Identity, type: string, payload: object): Promise<Response> =>
  fetch(`${server.url}/api/${to}`, {
    method: 'POST',
    body: JSON.stringify({ id: newId(), type, at: NOW, payload }),
    headers: { origin: server.url, 'content-type': 'application/json', cookie: cookies[identity] ?? '' },
  });

interface Place {
  file: string;
  path: string;
  kind: 'page' | 'route';
  need: string;
  methods: string[];
}

/** Every page and route there is, with what it says that it needs. */
function places(): Place[] {
  const app = join(root, 'src/app');
  return (readdirSync(app, { recursive: true }) as string[])
    .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file))
    .map((file) => {
      const source = readFileSync(join(app, file), 'utf8');
      const path = `/${file}`
        .replace(/\/(page\.tsx|route\.ts)$/, '')
        .replace(/\/\([^)]+\)/g, '')
        .replace(/^$/, '/');
      return {
        file,
        path,
        kind: file.endsWith('page.tsx') ? 'page' : 'route',
        need:
          PAGES_WITHOUT[path] ??
          /(?:shown(?:FromThread)?|visitor)\(\s*'([a-z ]+)'|need: '([a-z ]+)'/.exec(source)?.slice(1).find(Boolean) ??
          (source.includes('{ need }') ? 'person' : 'nothing said'),
        methods: [...source.matchAll(/export const (GET|POST|PUT|DELETE|PATCH)/g)].map(([, method = '']) => method),
      };
    });
}

/** Pages that are drawn for whoever comes, or look at a secret of their own. */
const PAGES_WITHOUT: Record<string, string> = {
  '/sign-in': 'nobody',
  '/welcome': 'nobody',
  '/walk': 'nobody',
  '/join/[token]': 'link',
  '/s/[token]': 'link',
};

const filled = (path: string, job: string): string =>
  path.replace(/\[(\w+)\]/g, (_, name: string) => {
    const id = ids[name];
    if (!id) throw new Error(`${path}: say in this test what [${name}] is.`);
    return id(job);
  });
const isOfJob = (path: string): boolean => /\[(job|area|selection|walk|order|hash|link)\]/.test(path);

describe('who may see what', () => {
  it('is said by every page and every route', () => {
    expect(places().filter(({ need }) => need === 'nothing said')).toEqual([]);
    expect(places().length).toBeGreaterThan(60);
  });

  it('is closed to whoever is not signed in', async () => {
    const wrong: unknown[] = [];
    for (const { path, kind, method } of asked()) {
      const { status } = await ask(filled(path, his(path)), 'nobody', method);
      if (status !== (kind === 'page' ? 307 : 401)) wrong.push([path, method, status]);
    }
    expect(wrong).toEqual([]);
  });

  it('is, for whoever leads a site, what is of their jobs and has no prices in it', async () => {
    const wrong: unknown[] = [];
    for (const { path, kind, method, need } of asked()) {
      const mine = await ask(filled(path, his(path)), 'lead', method);
      const refused = kind === 'page' ? 404 : 403;
      if (mine.status >= 500 || (mine.status === refused) !== (need !== 'person'))
        wrong.push([path, method, mine.status]);
      if (method !== 'GET' || !mine.ok || path === STREAM) continue;
      const text = await mine.text();
      const [mark] = marks.filter((one) => text.includes(one));
      if (mark) wrong.push([path, 'shows of another job', mark, around(text, mark)]);
      const price = PRICE.exec(text)?.[0];
      if (price) wrong.push([path, 'shows a price', around(text, price)]);
    }
    expect(wrong).toEqual([]);
  });

  it('is kept in what is worked out on the whole firm', async () => {
    const asked = await Promise.all([
      ask(`/api/advice?selection=${CABINETS}`, 'lead'),
      give('preview', 'lead', 'selection.expect', {
        id: CABINETS,
        version: cabinetsVersion,
        expectedOn: '2027-04-30',
      }),
    ]);
    for (const answer of asked) {
      expect(answer.status).toBeLessThan(300);
      const text = await answer.text();
      expect(marks.flatMap((mark) => (text.includes(mark) ? [around(text, mark)] : []))).toEqual([]);
      expect(PRICE.exec(text)?.[0]).toBeUndefined();
    }
  });

  it('is, for a command that names anything of another job, that it does not exist', async () => {
    const wrong: unknown[] = [];
    const area = ids.area?.(OTHERS[0] ?? '') ?? '';
    for (const [type, { may }] of Object.entries(COMMANDS).filter(([, kind]) => kind.may.includes('lead'))) {
      const { status } = await give('commands', 'lead', type, { id: newId(), anything: [{ deep: `${area}:framing` }] });
      if (status !== 404) wrong.push([type, may, status]);
    }
    expect(wrong).toEqual([]);
  });

  it('is kept of a picture that only jobs of others have, be it several; one that a job of theirs has too is theirs', () => {
    const { db } = demoHouse();
    const picture = queryOne<{ hash: string }>(db, 'SELECT hash FROM picture')?.hash ?? '';
    const lead = seesOf(db, { id: demoId('person', 'tobin'), role: 'lead' });
    const put = (jobs: readonly string[]): void => {
      execute(db, 'UPDATE observation SET picture = NULL WHERE picture = @picture', { picture });
      for (const job of jobs)
        execute(
          db,
          `UPDATE observation SET picture = @picture
            WHERE id = (SELECT id FROM observation WHERE job = @job AND kind = 'note' LIMIT 1)`,
          { picture, job },
        );
    };
    const looks = () => needAllSeen(db, lead, { hash: picture });
    put(OTHERS);
    expect(looks).toThrow(/no such job/);
    put([...OTHERS, SIGNAL]);
    expect(looks).not.toThrow();
  });

  it('is, of the jobs of others, nothing for whoever leads a site', async () => {
    const wrong: unknown[] = [];
    for (const { path, method, need } of asked().filter((one) => isOfJob(one.path)))
      for (const other of OTHERS) {
        const { status } = await ask(filled(path, other), 'lead', method);
        if (need === 'person' ? status !== 404 : status !== 404 && status !== 403) wrong.push([path, method, status]);
      }
    expect(wrong).toEqual([]);
  });
});

describe('somebody of a sub who signs in', () => {
  const PASSWORD = 'wires behind every board';
  const petra = newId();
  const wiring = demoId('sub', 'wiring');

  it('is invited like others, comes in with a password, and sees the work of their sub alone', async () => {
    const account = { id: petra, name: 'Petra Lund', role: 'sub', sub: wiring, email: 'petra@wiring.example' };
    const refused = await give('commands', 'contractor', 'person.add', { ...account, sub: undefined });
    expect(await refused.json()).toMatchObject({ code: 'no-sub', field: 'sub' });
    const lead = await give('commands', 'contractor', 'person.add', { ...account, role: 'lead' });
    expect(await lead.json()).toMatchObject({ code: 'not-of-sub' });
    expect((await give('commands', 'contractor', 'person.add', account)).status).toBe(200);
    expect((await give('commands', 'contractor', 'person.invite', { id: newId(), person: petra })).status).toBe(200);
    const firm = (await (await ask('/firm', 'contractor')).text()).replaceAll('<!-- -->', '');
    expect(firm).toContain('of Halyard Wiring');
    const [, token = ''] = /\/join\/([\w-]+)/.exec(firm) ?? [];
    const joined = await fetch(`${server.url}/api/join/${token}`, {
      method: 'POST',
      body: JSON.stringify({ password: PASSWORD }),
      headers: { origin: server.url },
    });
    expect(joined.status).toBe(204);
    const signed = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      body: JSON.stringify({ email: account.email, password: PASSWORD, code: '' }),
      headers: { origin: server.url },
    });
    expect(signed.status).toBe(200);
    cookies.sub = signed.headers.get('set-cookie')?.split(';', 1)[0] ?? '';
    const page = (await (await ask('/s/own', 'sub')).text()).replaceAll('<!-- -->', '');
    expect(page).toContain('Signed in as Petra Lund');
    expect(page).toContain('Halyard Wiring');
    expect(page).not.toMatch(/Stillwater Glass<|Two Buckets Paint<|averill@|lettings@/);
    expect(PRICE.exec(page)?.[0]).toBeUndefined();
  });

  it('finds everything else of the firm closed, as nobody does', async () => {
    const wrong: unknown[] = [];
    for (const { path, kind, method } of asked()) {
      const { status, headers } = await ask(filled(path, his(path)), 'sub', method);
      if (status !== (kind === 'page' ? 307 : 401)) wrong.push([path, method, status]);
      if (kind === 'page' && headers.get('location') !== '/s/own') wrong.push([path, headers.get('location')]);
    }
    expect(wrong).toEqual([]);
    expect((await give('commands', 'sub', 'job.open', { id: newId(), name: 'x' })).status).toBe(401);
  });

  it('answers on their page as by a link, which is theirs, and is out as soon as the account is closed', async () => {
    const question = (headers: Record<string, string>): Promise<Response> =>
      fetch(`${server.url}/api/commands`, {
        method: 'POST',
        body: JSON.stringify({
          ...{ id: newId(), type: 'question.ask', at: NOW },
          payload: { id: newId(), job: SIGNAL, name: 'Petra', text: 'Which boxes first?' },
        }),
        headers: { origin: server.url, 'x-aftermist-link': 'own', ...headers },
      });
    expect((await question({})).status).toBe(404);
    expect((await question({ cookie: cookies.lead ?? '' })).status).toBe(404);
    expect((await question({ cookie: cookies.sub ?? '' })).status).toBe(200);
    expect(await (await ask('/s/own', 'sub')).text()).toContain('Which boxes first?');
    expect((await give('commands', 'contractor', 'person.close', { id: petra })).status).toBe(200);
    const after = await ask('/s/own', 'sub');
    expect([after.status, after.headers.get('location')]).toEqual([307, '/sign-in']);
    expect((await question({ cookie: cookies.sub ?? '' })).status).toBe(404);
  });
});

describe('an answer from outside', () => {
  it('says from where it came, and whether somebody of the firm was signed in there', async () => {
    const [link, secret] = [newId(), readFileSync(join(place, 'secret'), 'utf8')];
    const payload = { id: link, audience: 'client', job: SIGNAL, recipient: 'A. Verill', expiresOn: '2027-06-01' };
    expect((await give('commands', 'contractor', 'share.make', payload)).status).toBe(200);
    const asks = (headers: Record<string, string>) =>
      fetch(`${server.url}/api/commands`, {
        method: 'POST',
        body: JSON.stringify({
          ...{ id: newId(), type: 'question.ask', at: NOW },
          payload: { id: newId(), job: SIGNAL, name: 'A. Verill', text: 'When?' },
        }),
        headers: { origin: server.url, 'x-aftermist-link': tokenOf({ secret }, link), ...headers },
      });
    expect((await asks({})).status).toBe(200);
    const news = async () => (await ask(`/jobs/${SIGNAL}/news?links=all`, 'contractor')).text();
    expect(await news()).toContain('answered ');
    expect(await news()).not.toContain('was signed in');
    expect((await asks({ cookie: cookies.lead ?? '' })).status).toBe(200);
    expect((await news()).replaceAll('<!-- -->', '')).toContain('a browser in which Tobin was signed in');
  });
});

/** A stream that goes on: it tells numbers alone. */
const STREAM = '/api/changes';
const PRICE = /[€]\s?\d[\d .,]*|\\?"(?:unitPrice|markup|perHour|net|unitCost)\\?":\d+/;
const around = (text: string, word: string): string =>
  text.slice(Math.max(0, text.indexOf(word) - 60), text.indexOf(word) + 60);

/** What is asked for of each place that wants a person. */
const asked = () =>
  places()
    .filter(({ need }) => !['nobody', 'link'].includes(need))
    .flatMap((place) => (place.kind === 'page' ? ['GET'] : place.methods).map((method) => ({ ...place, method })));
