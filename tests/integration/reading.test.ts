import { describe, expect, it } from 'vitest';
import { beforeIn, type PastPlace } from '@/contract/past';
import { before, routes } from '@/contract/routes';
import type { PastShown } from '@/contract/views/job';
import { openDatabase } from '@/server/database/open';
import { databaseFile, type Installation } from '@/server/installation';
import { coordinationView } from '@/server/views/coordination';
import { findable, saidAnywhere } from '@/server/views/find';
import { layoutView } from '@/server/views/layout';
import { sharedView } from '@/server/public/shared';
import { newsView } from '@/server/views/news';
import { readAhead } from '@/server/reading/ahead';
import { sharing } from '@/server/reading/kept';
import { readFirm, readHouse, readJob, readOpenJobs, type JobReading } from '@/server/reading/reading';
import { jobRow } from '@/server/reading/job';
import { planInput } from '@/server/plan/plan-input';
import { progressView } from '@/server/views/progress';
import { scheduleView } from '@/server/views/board';
import { assembliesView } from '@/server/views/assemblies';
import { changesView } from '@/server/views/changes';
import { moneyView } from '@/server/views/money';
import { pricesView } from '@/server/views/prices';
import { assumptionsView, scopeView } from '@/server/views/scope';
import { statementView } from '@/server/views/statement';
import { deliveriesView } from '@/server/views/deliveries';
import { suppliersView } from '@/server/views/suppliers';
import { requestsView, selectionPage, selectionsView } from '@/server/views/selections';
import { sequenceView } from '@/server/views/sequence';
import { frameView } from '@/server/views/job-head';
import { roomView } from '@/server/views/room';
import { roomsView } from '@/server/views/rooms';
import { benchView, materialsView } from '@/server/views/quantities';
import { todayView } from '@/server/views/today';
import { completionView } from '@/server/views/completion';
import { packNews, walkPack } from '@/server/views/pack';
import { reviewView } from '@/server/views/review';
import { walksView } from '@/server/views/walks';
import { rebuildStanding, unlikeRecords } from '@/server/walks/rebuild';
import { wallsView } from '@/server/views/walls';
import { demoId } from '../../demo/seed';
import { grow } from '../../demo/grow/grow';
import { areaOf, demoHouse, must, newId, root, signalHouse } from '../support/installations';

const walk = demoId('signal', 'walk', '2');
const guest = areaOf('guest');
const path = (): '/x' => '/x';

/** What every page, pack and plan is made from. */
/** A link of the house by the signal box. */
const OF_HOUSE = {
  ...{ id: newId(), job: signalHouse, sub: null, request: null, inspection: null },
  ...{ recipient: 'A', expires_on: '2027-12-31', revoked_at: null },
};
const PAGES: Record<string, (installation: Installation) => unknown> = {
  frame: (installation) => frameView(installation, { id: 'm', name: 'Maren', role: 'contractor' }),
  Today: (installation) => todayView(readFirm(installation)),
  Rooms: (installation) => roomsView(readJob(installation, signalHouse)),
  Room: (installation) => roomView(readJob(installation, signalHouse), guest),
  'To scale': (installation) => layoutView(readJob(installation, signalHouse), guest),
  Walls: (installation) => wallsView(readJob(installation, signalHouse), guest),
  Scope: (installation) => scopeView(readJob(installation, signalHouse)),
  Assumptions: (installation) => assumptionsView(readJob(installation, signalHouse)),
  Prices: (installation) => pricesView(readJob(installation, signalHouse)),
  Money: (installation) => moneyView(readJob(installation, signalHouse)),
  Assemblies: (installation) => assembliesView(readJob(installation, signalHouse)),
  Changes: (installation) => changesView(readFirm(installation).job(signalHouse), new Map()),
  Statement: (installation) => statementView(readJob(installation, signalHouse)),
  Materials: (installation) => materialsView(readJob(installation, signalHouse)),
  Selections: (installation) => selectionsView(readJob(installation, signalHouse)),
  Selection: (installation) =>
    selectionPage(readJob(installation, signalHouse), demoId('signal', 'selection', 'lroof', 'Lantern glazing')),
  Requests: (installation) => requestsView(readJob(installation, signalHouse)),
  Deliveries: (installation) => deliveriesView(readJob(installation, signalHouse)),
  Suppliers: (installation) => suppliersView(readOpenJobs(installation)),
  Sequence: (installation) => sequenceView(readJob(installation, signalHouse)),
  Schedule: (installation) =>
    scheduleView(readFirm(installation), { job: signalHouse, by: 'room', weeks: 2, shift: 0 }),
  Progress: (installation) => progressView(readJob(installation, signalHouse)),
  Coordination: (installation) => coordinationView(readFirm(installation), path),
  Walks: (installation) => walksView(readJob(installation, signalHouse)),
  Review: (installation) => reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation)),
  Completion: (installation) => completionView(readJob(installation, signalHouse)),
  Walk: (installation) => walkPack(installation, walk),
  'walk packs': (installation) => packNews(installation, {}),
  News: (installation) => newsView(readJob(installation, signalHouse)),
  'a client’s page': (installation) => sharedView(installation, { ...OF_HOUSE, audience: 'client' }),
  'a neighbour’s page': (installation) => sharedView(installation, { ...OF_HOUSE, audience: 'neighbour' }),
  'a crew’s page': (installation) => sharedView(installation, { ...OF_HOUSE, audience: 'crew' }),
  Find: (installation) => findable(readHouse(installation)),
  'Find by words': (installation) => saidAnywhere(readHouse(installation), 'the wall'),
  Bench: (installation) => benchView(readOpenJobs(installation)),
  plan: (installation) => planInput(readFirm(installation)),
};

const MOST_STATEMENTS = 72;

/** How many statements something asks the file. */
function statementsOf(installation: Installation, act: () => unknown): number {
  const asked = Object.getPrototypeOf(installation.db.prepare('SELECT 1')) as {
    all: (...values: unknown[]) => unknown;
    get: (...values: unknown[]) => unknown;
  };
  const { all, get } = asked;
  let count = 0;
  asked.all = function (...values) {
    count++;
    return all.apply(this, values);
  };
  asked.get = function (...values) {
    count++;
    return get.apply(this, values);
  };
  try {
    act();
  } finally {
    Object.assign(asked, { all, get });
  }
  return count;
}

describe('one reading', () => {
  it('asks each table once, for any page and with however many jobs', () => {
    const [few, many] = [demoHouse(), demoHouse()];
    grow(many, { jobs: 9, open: 7, observations: 200 });
    for (const [name, page] of Object.entries(PAGES)) {
      const asked = statementsOf(few, () => page(few));
      expect(asked, name).toBeLessThanOrEqual(MOST_STATEMENTS);
      expect(
        statementsOf(many, () => page(many)),
        `${name}, of a firm with more jobs`,
      ).toBeLessThanOrEqual(asked + 4);
    }
  });

  it('ahead leaves nothing to be asked once the moment is over', () => {
    const installation = demoHouse();
    const firm = readFirm(installation);
    readAhead(firm);
    expect(statementsOf(installation, () => planInput(firm))).toBe(0);
  });

  it('is shared while nothing is written, and by nobody after', () => {
    const installation = demoHouse();
    const { db } = installation;
    const look = (): unknown => db.transaction(() => readJob(sharing(installation), signalHouse).firm)();
    const first = look();
    expect(look()).toBe(first);
    must(installation, 'supplier.add', { id: demoId('x'), name: 'New', email: 'n@new.example' });
    const second = look();
    expect(second).not.toBe(first);
    // Another connection, as the planner's thread has one.
    const other = openDatabase(databaseFile(installation.folder), `${root}/migrations`);
    other.exec(`UPDATE job SET name = 'Elsewhere' WHERE id = '${signalHouse}'`);
    other.close();
    expect(db.transaction(() => jobRow(readJob(sharing(installation), signalHouse)).name)()).toBe('Elsewhere');
    // What is taken back was never there.
    const before = look();
    try {
      db.transaction(() => {
        db.exec(`UPDATE job SET name = 'Never' WHERE id = '${signalHouse}'`);
        throw new Error('taken back');
      })();
    } catch {
      // As it has to be.
    }
    expect(look()).not.toBe(before);
    expect(db.transaction(() => jobRow(readJob(sharing(installation), signalHouse)).name)()).toBe('Elsewhere');
  });

  it('is another one on another day', () => {
    const installation = demoHouse();
    const { db } = installation;
    const today = (clock = installation.clock): string =>
      db.transaction(() => readHouse(sharing({ ...installation, clock })).today)();
    expect(today()).toBe('2027-03-09');
    expect(today({ now: () => new Date('2027-03-10T12:00:00.000Z'), shiftMs: 0 })).toBe('2027-03-10');
  });
});

/** What a page shows, but for the clock it goes by. */
const shown = (installation: Installation, page: string): unknown => ({
  ...(PAGES[page]?.(installation) as object),
  clock: null,
});

/** How much longer its past is: one of seconds, or of years where a long run asks for that. */
const TIMES = Number(process.env.GROWN_TIMES ?? 1);

describe('a firm that grew', () => {
  it('shows of its open jobs what they showed, and holds every key and everything that stands', () => {
    const [young, old] = [demoHouse(), demoHouse()];
    grow(young, { jobs: 6, open: 6, observations: 0 });
    grow(old, { jobs: 12, open: 6, observations: 3000 * TIMES });
    expect(unlikeRecords(old.db)).toEqual([]);
    expect(old.db.pragma('foreign_key_check')).toEqual([]);
    expect(old.db.pragma('integrity_check', { simple: true })).toBe('ok');
    const count = (installation: Installation): unknown =>
      installation.db.prepare('SELECT count(*) FROM observation').pluck().get();
    expect(Number(count(old))).toBeGreaterThan(Number(count(young)) + 3000);
    for (const name of ['Today', 'Rooms', 'Sequence', 'Scope', 'Selections', 'Deliveries', 'Walk'])
      expect(shown(old, name), name).toEqual(shown(young, name));
  });

  it('is the same each time', () => {
    const dump = (): unknown => {
      const installation = demoHouse();
      grow(installation, { jobs: 7, open: 5, observations: 300 * TIMES });
      return ['observation', 'share_link', 'area', 'history'].map((table) =>
        installation.db.prepare(`SELECT * FROM ${table} ORDER BY id`).all(),
      );
    };
    expect(dump()).toEqual(dump());
  });
});

/** Kinds that a room's remarks are of, some of them. */
const KINDS = ['note', 'measurement', 'surprise'];

describe('what was before', () => {
  it('is all reached page by page, however many things are of one instant', () => {
    const installation = demoHouse();
    const { db } = installation;
    grow(installation, { jobs: 6, open: 6, observations: 4000 });
    // As when a whole folder of pictures is put in, or all letters of a day go out at once.
    db.exec(
      `UPDATE observation SET at = '2026-05-04T15:00:00.000Z' WHERE kind IN ('picture', 'note') AND at < '2026-10-01'`,
    );
    db.exec(`UPDATE observation SET text = id WHERE kind = 'picture'`);
    db.exec(`UPDATE job_update SET sent_at = '2026-05-04T16:00:00.000Z' WHERE state = 'sent'`);
    rebuildStanding(db);
    const job = (): JobReading => readJob(installation, signalHouse);
    const ids = (sql: string): unknown[] => db.prepare(sql).pluck().all({ job: signalHouse, guest });
    const reached = (page: (before?: PastPlace) => { past: PastShown; things: string[] }): string[] => {
      const seen = new Set<string>();
      let { past, things } = page();
      for (let pages = 1; ; pages++) {
        for (const thing of things) seen.add(thing);
        if (!past.earlier) return [...seen].sort();
        if (pages === 400) throw new Error('The past has no end.');
        const next = before(routes.walks(signalHouse), past.earlier);
        ({ past, things } = page(beforeIn(Object.fromEntries(new URL(next, 'http://x').searchParams))));
      }
    };
    expect(
      reached((from) => {
        const { walks, past } = walksView(job(), from);
        return { past, things: walks.map(({ id }) => id) };
      }),
    ).toEqual(ids('SELECT id FROM walk WHERE job = @job ORDER BY id'));
    expect(
      reached((from) => {
        const { updates, past } = newsView(job(), { before: from });
        return { past, things: updates.map(({ id }) => id) };
      }),
    ).toEqual(ids(`SELECT id FROM job_update WHERE job = @job AND state = 'sent' ORDER BY id`));
    expect(
      reached((from) => {
        const { pictures, remarks, past } = roomView(job(), guest, from);
        const said = remarks.filter(({ kind }) => KINDS.includes(kind));
        return { past, things: [...pictures.map(({ text }) => text ?? ''), ...said.map(({ id }) => id)] };
      }),
    ).toEqual(
      ids(
        `SELECT id FROM standing_observation WHERE area = @guest AND kind IN ('picture', '${KINDS.join("', '")}') ORDER BY id`,
      ),
    );
  });
});
