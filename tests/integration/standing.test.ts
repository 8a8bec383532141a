import fc from 'fast-check';
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { COMMANDS, type CommandType } from '@/contract/commands';
import { queryAll, queryOne } from '@/server/database/query';
import { openInstallation } from '@/server/open-installation';
import type { Installation } from '@/server/installation';
import { rebuildStanding, staleStanding, unlikeRecords } from '@/server/walks/rebuild';
import { demoId } from '../../demo/seed';
import { GIVEN } from '../support/given';
import {
  areaOf,
  demoFolder,
  demoHouse,
  giveRaw,
  MAREN,
  newId,
  raw,
  root,
  signalHouse,
  testClock,
  trying,
} from '../support/installations';
import { dispatch } from '@/server/dispatch/dispatch';

/** Tables that what stands is made from; whoever writes them must leave it right. */
const PROJECTED = ['observation', 'purchased'];

/** The commands whose histories are drawn below; every other one leaves those tables alone. */
const DRAWN: readonly CommandType[] = [
  'observation.record',
  'client.take-up',
  // A record like any, by way of the same handler.
  'done.take',
  'step.tick',
  'step.untick',
  'shortage.purchase',
  'shortage.unpurchase',
];

describe('what stands of the walks', () => {
  it('is right after every command, and only those drawn here touch what it is made from', () => {
    const installation = demoHouse();
    const { db } = installation;
    db.exec('CREATE TEMP TABLE touched (name TEXT)');
    for (const table of PROJECTED)
      for (const act of ['INSERT', 'UPDATE', 'DELETE'])
        db.exec(
          `CREATE TEMP TRIGGER ${table}_${act} AFTER ${act} ON main.${table} BEGIN INSERT INTO touched VALUES ('${table}'); END`,
        );
    const touching: CommandType[] = [];
    for (const type of Object.keys(GIVEN) as CommandType[]) {
      const { before, payload, who } = GIVEN[type]!;
      trying(installation, () => {
        before?.(installation);
        db.exec('DELETE FROM touched');
        const given = typeof payload === 'function' ? payload(installation) : payload;
        expect(giveRaw(installation, type, given, who), type).toMatchObject({ status: 'applied' });
        if (queryOne(db, 'SELECT 1 FROM touched') === undefined) return;
        touching.push(type);
        expect(unlikeRecords(db), type).toEqual([]);
      });
    }
    expect(touching.sort()).toEqual([...DRAWN].sort());
    expect(Object.keys(COMMANDS)).toEqual(expect.arrayContaining([...DRAWN]));
  });

  it('is what its records say after any history: late, doubled, withdrawn, from two phones', () => {
    const installation = demoHouse();
    const { db } = installation;
    const walks = [newId(), newId()];
    for (const [index, id] of walks.entries())
      dispatch(
        installation,
        { kind: 'person', id: demoId('person', index === 0 ? 'maren' : 'tobin'), name: 'P', role: 'contractor' },
        raw('walk.start', { id, job: signalHouse, kind: 'progress' }, { at: '2027-03-09T08:00:00.000Z' }),
      );
    const areas = [areaOf('boot'), areaOf('bath')];
    const selection = queryOne<{ id: string }>(db, 'SELECT id FROM selection WHERE job = @job', {
      job: signalHouse,
    })!.id;
    const steps = queryAll<{ area: string; phase: string }>(
      db,
      `SELECT area, phase FROM step WHERE area IN (@a, @b) AND phase <> 'close-in' LIMIT 4`,
      { a: areas[0]!, b: areas[1]! },
    );
    const act = fc.oneof(
      fc.record({
        kind: fc.constant('progress' as const),
        step: fc.nat({ max: steps.length - 1 }),
        fraction: fc.constantFrom(0, 0.3, 0.5, 0.8, 1),
      }),
      fc.record({
        kind: fc.constantFrom('remaining' as const, 'caution' as const, 'short' as const, 'in-wall' as const),
      }),
      fc.record({ kind: fc.constant('check' as const), line: fc.constantFrom('a', 'b'), right: fc.boolean() }),
      fc.record({ kind: fc.constant('selection-check' as const), right: fc.boolean() }),
      fc.record({ kind: fc.constant('measurement' as const), mm: fc.integer({ min: 1000, max: 3000 }) }),
      fc.record({
        kind: fc.constant('recheck' as const),
        of: fc.nat(),
        verdict: fc.constantFrom('done', 'still open', 'worse', 'not seen'),
      }),
      fc.record({ kind: fc.constant('withdrawal' as const), of: fc.nat() }),
      fc.record({ kind: fc.constant('buy' as const), of: fc.nat(), back: fc.boolean() }),
      fc.record({ kind: fc.constant('take-up' as const) }),
      fc.record({ kind: fc.constant('again' as const), which: fc.nat() }),
    );
    const scene = fc.array(fc.tuple(act, fc.integer({ min: 0, max: 240 }), fc.nat({ max: 1 })), { maxLength: 25 });
    fc.assert(
      fc.property(scene, (acts) => {
        trying(installation, () => {
          const made: { id: string; kind: string; command: object }[] = [];
          const pick = (of: number, ...kinds: string[]): string | undefined => {
            const list = made.filter(({ kind }) => kinds.length === 0 || kinds.includes(kind));
            return list[of % Math.max(1, list.length)]?.id;
          };
          for (const [one, minute, phone] of acts) {
            const when = { at: new Date(Date.UTC(2027, 2, 9, 8, minute)).toISOString() };
            const base = { id: newId(), walk: walks[phone], area: areas[phone] };
            const record = (observation: object, kind: string): void => {
              const command = raw('observation.record', { observation: { ...base, ...observation, kind } }, when);
              if (dispatch(installation, MAREN, command).status === 'applied')
                made.push({ id: base.id, kind, command });
            };
            if (one.kind === 'progress') record({ ...steps[one.step], fraction: one.fraction }, 'progress');
            else if (one.kind === 'remaining') record({ text: 'a thing', trade: 'paint' }, 'remaining');
            else if (one.kind === 'caution') record({ text: 'mind the step' }, one.kind);
            else if (one.kind === 'short') record({ text: 'sealant' }, 'short');
            else if (one.kind === 'in-wall')
              record({ wall: 0, what: 'pipe', text: '', along: 10, height: 10, length: 0, rise: 0 }, 'in-wall');
            else if (one.kind === 'check') record({ line: one.line, verdict: one.right ? 'right' : 'open' }, 'check');
            else if (one.kind === 'selection-check')
              record({ selection, verdict: one.right ? 'right' : 'damaged' }, 'selection-check');
            else if (one.kind === 'measurement')
              record({ text: 'height', mm: one.mm, typed: String(one.mm), of: { what: 'height' } }, 'measurement');
            else if (one.kind === 'recheck') {
              const about = pick(one.of, 'remaining', 'caution');
              if (about) record({ about, verdict: one.verdict }, 'recheck');
            } else if (one.kind === 'withdrawal') {
              const about = pick(one.of);
              if (about) record({ about }, 'withdrawal');
            } else if (one.kind === 'buy') {
              const about = pick(one.of, 'short');
              if (about) giveRaw(installation, one.back ? 'shortage.unpurchase' : 'shortage.purchase', { about });
            } else if (one.kind === 'take-up') {
              const item = queryOne<{ id: string; version: number; job: string }>(
                db,
                `SELECT id, version, job FROM client_item WHERE state = 'asked'`,
              );
              const area =
                item && queryOne<{ id: string }>(db, 'SELECT id FROM area WHERE job = @job', { job: item.job });
              const walk =
                item && queryOne<{ id: string }>(db, 'SELECT id FROM walk WHERE job = @job', { job: item.job });
              if (item && area && walk)
                giveRaw(installation, 'client.take-up', {
                  id: item.id,
                  version: item.version,
                  observation: base.id,
                  walk: walk.id,
                  area: area.id,
                  trade: 'paint',
                });
            } else {
              const before = made[('which' in one ? one.which : 0) % Math.max(1, made.length)];
              if (before) expect(dispatch(installation, MAREN, before.command)).toMatchObject({ status: 'repeated' });
            }
          }
          expect(unlikeRecords(db)).toEqual([]);
          expect(staleStanding(db)).toBeUndefined();
        });
      }),
      { numRuns: Number(process.env.PROPERTY_RUNS ?? 60) },
    );
  });

  it('that was damaged is found by its counts or by its records, and computed anew', () => {
    const folder = demoFolder();
    const open = (): Installation => openInstallation({ folder, root, clock: testClock() });
    const first = open();
    const kept = queryAll(first.db, 'SELECT * FROM standing ORDER BY matter');
    expect(kept.length).toBeGreaterThan(50);
    expect(rebuildStanding(first.db)).toBe(kept.length);
    expect(queryAll(first.db, 'SELECT * FROM standing ORDER BY matter')).toEqual(kept);
    first.db.exec('DELETE FROM standing WHERE matter IN (SELECT matter FROM standing LIMIT 3)');
    expect(staleStanding(first.db)).toMatch(/lines/);
    first.db.close();
    // The next start says so and puts it right.
    const second = open();
    expect(queryAll(second.db, 'SELECT * FROM standing ORDER BY matter')).toEqual(kept);
    second.db.exec(
      `UPDATE standing SET state = '{}' WHERE matter IN (SELECT matter FROM standing WHERE state <> '{}' LIMIT 1)`,
    );
    expect(unlikeRecords(second.db)).toHaveLength(1);
    second.db.close();
    const rebuild = (...more: string[]): { status: number; said: string } => {
      try {
        const said = execFileSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/rebuild.ts', ...more], {
          cwd: root,
          env: { ...process.env, AFTERMIST_DATA: folder },
          encoding: 'utf8',
        });
        return { status: 0, said };
      } catch (error) {
        const { status, stdout } = error as { status: number; stdout: string };
        return { status, said: stdout };
      }
    };
    expect(rebuild('--check')).toMatchObject({ status: 1, said: expect.stringContaining('1 lines are not') as string });
    expect(rebuild().status).toBe(0);
    expect(rebuild('--check')).toMatchObject({
      status: 0,
      said: expect.stringContaining('as its records say') as string,
    });
  });
});
