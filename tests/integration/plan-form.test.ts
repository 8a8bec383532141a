import { describe, expect, it } from 'vitest';
import { execute, queryOne } from '@/server/database/query';
import { keptEffect } from '@/server/plan/effect';
import { markOldForm, renewOnce } from '@/server/plan/renew';
import { isOfOldForm, readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { reviewView } from '@/server/views/review';
import { scheduleView } from '@/server/views/board';
import { demoHouse, signalHouse } from '../support/installations';
import { reasonSaid, waitSaid, workSaid } from '../support/said';

/** The plan as the first form had it: names and reasons are sentences, nothing says of what form it is. */
function inFirstForm(db: ReturnType<typeof demoHouse>['db']): void {
  execute(
    db,
    `UPDATE plan_part
      SET tasks = (
        SELECT json_group_array(json_set(
            json_remove(value, '$.work'), '$.label', 'Kitchen · beam',
            '$.reason', json('{"kind":"crew","text":"Not earlier: Gull Wiring is away.","task":"gone"}')))
        FROM json_each(tasks))`,
  );
  execute(
    db,
    `UPDATE plan
      SET frame = json_remove(json_set(frame, '$.notBefore', (
        SELECT json_group_array(json_set(json_remove(value, '$.wait'), '$.because', 'nobody has answered'))
        FROM json_each(frame, '$.notBefore'))), '$.form')`,
  );
}

describe('a plan of an older form', () => {
  it('is told as it was, and made anew when the planner starts', () => {
    const installation = demoHouse();
    const { db } = installation;
    markOldForm(db);
    expect(renewOnce(installation)).toBeUndefined();
    inFirstForm(db);
    expect(isOfOldForm(db)).toBe(true);
    const old = readPlan(db);
    expect([workSaid(old?.tasks[0]), reasonSaid(old?.tasks[0]), waitSaid(old?.notBefore[0])]).toEqual([
      'Kitchen · beam',
      'Not earlier: Gull Wiring is away.',
      'nobody has answered',
    ]);
    const board = scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 });
    expect(JSON.stringify(board)).toContain('Not earlier: Gull Wiring is away.');
    markOldForm(db);
    expect(renewOnce(installation)).toBeGreaterThan(0);
    expect(isOfOldForm(db)).toBe(false);
    expect(readPlan(db)?.tasks.map(reasonSaid).join()).not.toContain('Not earlier');
  });

  it('leaves what it did to a walk as it was told then', () => {
    const old = {
      moved: [
        {
          area: null,
          label: 'Kitchen · beam',
          phase: null,
          from: '2027-03-01',
          to: '2027-03-03',
          reason: 'Not earlier.',
        },
      ],
      finish: {},
    };
    expect(keptEffect(JSON.stringify(old)).moved[0]).toMatchObject({
      work: { kind: 'called', text: 'Kitchen · beam' },
      reason: { kind: 'told', text: 'Not earlier.' },
    });
    const installation = demoHouse();
    const { db } = installation;
    const walk = queryOne<{ id: string }>(
      db,
      `SELECT walk.id FROM walk JOIN walk_plan ON walk_plan.walk = walk.id WHERE job = @job AND effect IS NOT NULL`,
      { job: signalHouse },
    );
    execute(db, 'UPDATE walk_plan SET effect = @effect', { effect: JSON.stringify(old) });
    const view = reviewView(readJob(installation, signalHouse), walk?.id ?? '', () => readFirm(installation));
    expect(view.moved.map(workSaid)).toEqual(['Kitchen · beam']);
  });
});
