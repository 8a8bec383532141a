import Database from 'better-sqlite3';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { areaOf, command, demoFolder, newId, signalHouse } from '../support/installations';
import { serve, type Server } from '../support/server';

const walk = newId();
/** How often it is killed; `npm run long -- kills 200` for longer. */
const ROUNDS = Number(process.env.KILLS ?? 4);

/** Sends until it is answered, as a phone does: no answer means to try again with the same id. */
async function sendUntilAnswered(
  server: () => Server,
  entry: { id: string },
  answered: Set<string>,
  stopped: () => boolean,
): Promise<void> {
  while (!stopped()) {
    const status = await fetch(`${server().url}/api/commands`, {
      method: 'POST',
      body: JSON.stringify(entry),
      headers: { 'content-type': 'application/json' },
    })
      .then(async (response) =>
        response.ok ? ((await response.json()) as { status: string }).status : `no ${response.status}`,
      )
      // An answer that is cut in the middle is none, like no answer at all.
      .catch(() => undefined);
    if (status === 'applied' || status === 'repeated') return void answered.add(entry.id);
    if (status) throw new Error(status);
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
}

it('a server killed at any moment loses no answered command and applies none twice', async () => {
  const folder = demoFolder();
  let server = await serve(folder, { demo: true });
  const port = Number(new URL(server.url).port);
  const answered = new Set<string>();
  const sent: string[] = [];
  let stop = false;
  try {
    await sendUntilAnswered(
      () => server,
      command('walk.start', { id: walk, job: signalHouse, kind: 'progress' }),
      answered,
      () => false,
    );
    const phone = async (): Promise<void> => {
      while (!stop) {
        const seen = newId();
        const one = command('observation.record', {
          observation: { id: seen, walk, area: areaOf('kitchen'), kind: 'note', text: seen },
        });
        sent.push(one.id);
        await sendUntilAnswered(
          () => server,
          one,
          answered,
          () => stop,
        );
      }
    };
    const phones = Promise.all([phone(), phone(), phone()]);
    for (let round = 0; round < ROUNDS; round++) {
      await new Promise((resolve) => setTimeout(resolve, 150 + 170 * (round % 5)));
      await server.kill();
      server = await serve(folder, { demo: true, port });
    }
    await new Promise((resolve) => setTimeout(resolve, 300));
    // The last to go takes the planner with it in the middle of its work.
    await sendUntilAnswered(
      () => server,
      command('walk.finish', { id: walk }),
      answered,
      () => false,
    );
    stop = true;
    await phones;
    await server.kill();
    server = await serve(folder, { demo: true, port });
    await expect
      .poll(
        async () => {
          const body = (await (await fetch(`${server.url}/api/plan.json`)).json()) as { cause: string };
          return body.cause;
        },
        { timeout: 20_000 },
      )
      .toMatch(/walk was finished|late record/);
    // What was marked while the last server died is planned by the next one.
    const look = new Database(join(folder, 'aftermist.sqlite'), { readonly: true });
    await expect
      .poll(() => look.prepare('SELECT count(*) AS count FROM plan_mark').get(), { timeout: 20_000 })
      .toEqual({ count: 0 });
    look.close();
  } finally {
    stop = true;
    await server.kill();
  }
  const db = new Database(join(folder, 'aftermist.sqlite'), { readonly: true });
  const logged = new Set(
    db
      .prepare<[], { id: string }>(`SELECT id FROM command_log`)
      .all()
      .map((row) => row.id),
  );
  if (ROUNDS > 4) console.log(`${ROUNDS} kills: ${sent.length} commands, ${answered.size} answered.`);
  expect(answered.size).toBeGreaterThan(50);
  expect([...answered].filter((id) => !logged.has(id))).toEqual([]);
  expect(
    db.prepare('SELECT count(*) AS count FROM observation WHERE walk = ? GROUP BY text HAVING count > 1').all(walk),
  ).toEqual([]);
  expect(db.prepare('SELECT count(*) AS count FROM observation WHERE walk = ?').get(walk)).toEqual({
    count: sent.filter((id) => logged.has(id)).length,
  });
  expect(db.prepare('SELECT count(*) AS count FROM plan_mark').get()).toEqual({ count: 0 });
  expect(db.prepare('SELECT count(*) AS count FROM walk_plan WHERE walk = ?').get(walk)).toEqual({ count: 1 });
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
  db.close();
});
