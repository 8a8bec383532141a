import { describe, expect, it } from 'vitest';
import { insert, queryAll, queryOne } from '@/server/database/query';
import { thin } from '@/server/plan/thin';
import { readJob } from '@/server/reading/reading';
import { progressView } from '@/server/views/progress';
import { grow } from '../../demo/grow/grow';
import { demoHouse, signalHouse } from '../support/installations';

const count = (db: ReturnType<typeof demoHouse>['db'], table: string): number =>
  queryOne<{ n: number }>(db, `SELECT count(*) AS n FROM ${table}`)?.n ?? 0;

describe('what is only added to', () => {
  it('is thinned once, and nothing that is shown of it changes', () => {
    const installation = demoHouse();
    grow(installation, { jobs: 8, open: 4, observations: 1_000 * Number(process.env.GROWN_TIMES ?? 1) });
    const { db } = installation;
    const tasks = queryAll<{ task: string; job: string }>(db, 'SELECT task, job FROM calendar_event LIMIT 20');
    for (const [at, one] of tasks.entries())
      for (const halves of [4, -2, at % 2 === 0 ? -2 : 6])
        insert(db, 'plan_move', { version: 1, made_at: '2027-03-09T12:00:00.000Z', ...one, halves, cause: 'rain' });
    const jobs = queryAll<{ id: string }>(db, 'SELECT id FROM job');
    const shown = () =>
      jobs.flatMap(({ id }) => {
        const job = readJob(installation, id);
        const { baselines } = progressView(job);
        return [progressView(job), ...baselines.map(({ id }) => progressView(job, { against: id, allSlips: true }))];
      });
    const before = shown();
    const [moves, log] = [count(db, 'plan_move'), count(db, 'command_log')];
    const asked = queryAll(db, `SELECT id FROM command_log WHERE who <> 'planner'`);
    const later = '2028-06-01T08:00:00.000Z';
    expect(thin(db, later)).toBeGreaterThan(0);
    expect(count(db, 'plan_move')).toBeLessThan(moves);
    expect(count(db, 'command_log')).toBeLessThan(log);
    expect(count(db, 'command_inverse')).toBe(0);
    expect(queryAll(db, `SELECT id FROM command_log WHERE who <> 'planner'`)).toEqual(asked);
    expect(shown()).toEqual(before);
    expect(thin(db, later)).toBe(0);
    expect(queryOne(db, 'SELECT 1 FROM plan_move WHERE job = @job', { job: signalHouse })).toBeDefined();
  });

  it('is left alone while it is young', () => {
    const { db } = demoHouse();
    const young = (): unknown[] => [
      queryAll(db, `SELECT seq FROM command_log WHERE applied_at >= '2027-01-09T08:00:00.000Z'`),
      queryAll(
        db,
        `SELECT command_inverse.seq
          FROM command_inverse
          JOIN command_log ON command_log.seq = command_inverse.seq
          WHERE applied_at >= '2027-01-09T08:00:00.000Z'`,
      ),
      queryAll(db, `SELECT * FROM plan_move WHERE made_at >= '2027-01-09T08:00:00.000Z'`),
    ];
    const before = young();
    thin(db, '2027-03-10T08:00:00.000Z');
    expect(young()).toEqual(before);
    expect(before).not.toContainEqual([]);
  });
});
