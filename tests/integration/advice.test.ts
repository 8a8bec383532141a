import { describe, expect, it } from 'vitest';
import { checkPlan } from '@/core/schedule/check';
import { makePlan } from '@/core/schedule/plan';
import { queryAll, queryOne } from '@/server/database/query';
import { planInput } from '@/server/plan/plan-input';
import { wouldBe } from '@/server/dispatch/would-be';
import { renewOnce } from '@/server/plan/renew';
import { readPlan } from '@/server/reading/plan';
import { progressView } from '@/server/views/progress';
import { readFirm } from '@/server/reading/reading';
import type { AnswerView } from '@/contract/views/advice';
import type { Installation } from '@/server/installation';
import { advised, type Advised } from '../support/slips';
import { demoId } from '../../demo/seed';
import { dispatch } from '@/server/dispatch/dispatch';
import { command, demoHouse, giveRaw, MAREN, must, newId } from '../support/installations';

const tannery = demoId('tannery');
const cabinets = demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets');

/** The cabinets of Tannery Row slip once more. */
function slipped(): Installation {
  const installation = demoHouse();
  const { version = 0 } =
    queryOne<{ version: number }>(installation.db, 'SELECT version FROM selection WHERE id = @cabinets', {
      cabinets,
    }) ?? {};
  must(installation, 'selection.expect', {
    id: cabinets,
    version,
    expectedOn: '2027-03-24',
    note: 'the press broke again',
  });
  renewOnce(installation);
  return installation;
}
const asked = (installation: Installation): Advised => advised(installation, MAREN, { selection: cabinets });
const taking = ({ slip: { job, wait } }: Advised, { title, steps, endDay }: AnswerView) => ({
  ...{ id: newId(), job: job.id, selection: cabinets, title, steps },
  ...{ ends: endDay, wouldEnd: wait.endDay },
});

const TABLES = [
  ...['slip_answer', 'method_choice', 'step', 'step_part', 'selection', 'pin', 'own_link', 'worked_day', 'provision'],
  ...['inspection', 'told_visit'],
];
/** All that an answer may change, but for versions, which go on counting; what nobody was told yet follows the plan. */
const rowsOf = ({ db }: Installation): string[] =>
  TABLES.flatMap((table) =>
    queryAll<Record<string, unknown>>(
      db,
      `SELECT * FROM ${table === 'told_visit' ? `visit_day WHERE said <> 'nothing'` : table}`,
    ).map(({ version: _, ...row }) => `${table} ${JSON.stringify(row)}`),
  ).sort();

describe('when cabinets slip', () => {
  it('painting first is among the first answers, and each answer obeys the checker; waiting is the plan as it is', () => {
    const installation = slipped();
    const sheet = asked(installation);
    expect(sheet.best.slice(0, 3).map(({ title }) => title)).toContain('Paint first, touch up after');
    expect(sheet.slip.wait.won).toBe(0);
    const plan = readPlan(installation.db);
    const ends = plan?.tasks
      .filter(({ job, state }) => job === tannery && state !== 'done')
      .map(({ finish }) => finish);
    const now = makePlan(planInput(readFirm(installation)));
    if (!now.ok) throw new Error(now.problem.message);
    expect(Math.max(...(ends ?? []))).toBe(
      Math.max(
        ...now.value.tasks.filter(({ job, state }) => job === tannery && state !== 'done').map(({ finish }) => finish),
      ),
    );
    for (const answer of sheet.best) {
      const after = wouldBe(installation, MAREN, command('answer.take', taking(sheet, answer)));
      if ('problem' in after) throw new Error(after.problem.title);
      const made = makePlan(planInput(after.firm));
      if (!made.ok) throw new Error(made.problem.message);
      expect(checkPlan(made.value)).toEqual([]);
      expect(answer.conflicts).toBe(made.value.unkept?.length ?? 0);
    }
  });

  it('one command takes an answer, the plan follows, and one undo restores every row', () => {
    const installation = slipped();
    const sheet = asked(installation);
    const answer = sheet.best.find(({ title }) => title === 'Paint first, touch up after');
    if (!answer) throw new Error('no answer');
    const before = rowsOf(installation);
    const take = command('answer.take', taking(sheet, answer));
    expect(dispatch(installation, MAREN, take).status).toBe('applied');
    expect(rowsOf(installation)).not.toEqual(before);
    expect(queryOne(installation.db, 'SELECT title, ends, would_end FROM slip_answer')).toEqual({
      ...{ title: answer.title, ends: answer.endDay, would_end: sheet.slip.wait.endDay },
    });
    renewOnce(installation);
    expect(progressView(readFirm(installation).job(tannery), {}).answers).toMatchObject([
      { title: answer.title, kept: true },
    ]);
    const kitchen = readPlan(installation.db)?.tasks.filter(
      ({ area }) => area === demoId('tannery', 'area', 'kitchen'),
    );
    const start = (phase: string): number => kitchen?.find((task) => task.phase === phase)?.start ?? -1;
    expect(start('final-coat')).toBeLessThan(start('cabinets'));
    expect(start('touch-up')).toBeGreaterThan(start('cabinets'));
    must(installation, 'undo', { command: take.id });
    expect(rowsOf(installation)).toEqual(before);
    // Whatever is taken is taken back whole, also what is no better than another.
    for (const other of asked(installation).all) {
      const taken = command('answer.take', taking(sheet, other));
      expect(dispatch(installation, MAREN, taken).status, other.title).toBe('applied');
      must(installation, 'undo', { command: taken.id });
      expect(rowsOf(installation), other.title).toEqual(before);
    }
  });

  it('is refused for what is over, for what is not an answer, and where no sub of ours is named', () => {
    const installation = slipped();
    const done = readPlan(installation.db)?.tasks.find(({ state }) => state === 'done');
    expect(() => advised(installation, MAREN, { task: done?.id ?? '' })).toThrow(
      /is done; look at what comes after it/,
    );
    expect(() => advised(installation, MAREN, { task: 'nothing:like-it' })).toThrow();
    const sheet = asked(installation);
    const [answer] = sheet.best;
    if (!answer) throw new Error('no answer');
    const broken = (steps: object[]) => giveRaw(installation, 'answer.take', { ...taking(sheet, answer), steps });
    expect(broken([{ type: 'firm.found', payload: {} }])).toMatchObject({ status: 'refused' });
    expect(
      broken([
        { type: 'visit.give', payload: { tasks: [`${demoId('tannery', 'area', 'kitchen')}:cabinets`], sub: newId() } },
      ]),
    ).toMatchObject({
      status: 'refused',
    });
    expect(queryAll(installation.db, 'SELECT * FROM slip_answer')).toEqual([]);
  });
});
