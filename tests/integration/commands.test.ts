import { describe, expect, it } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import { COMMANDS, type CommandType } from '@/contract/commands';
import type { Installation } from '@/server/installation';
import { areaOf, demoHouse, emptyHouse, giveRaw, must, newId, sharedDemo, trying } from '../support/installations';

import { GIVEN } from '../support/given';

describe('every command', () => {
  const installation = sharedDemo();

  it('that the door knows is given here', () => {
    expect(
      Object.keys(COMMANDS)
        .filter((type) => type !== 'firm.found')
        .sort(),
    ).toEqual(Object.keys(GIVEN).sort());
  });

  it.each(Object.entries(GIVEN))(
    '%s leaves what it says, its line in the log, and a mark where the plan must follow',
    (type, { before, payload, leaves, expected, plans, who }) => {
      trying(installation, () => {
        before?.(installation);
        installation.db.exec('DELETE FROM plan_mark');
        const answer = giveRaw(
          installation,
          type,
          typeof payload === 'function' ? (payload as (given: Installation) => object)(installation) : payload,
          who,
        );
        expect(answer).toMatchObject({ status: 'applied' });
        const left = leaves(installation);
        if (typeof expected === 'object' && expected !== null && !Array.isArray(expected))
          expect(left).toMatchObject(expected);
        else expect(left).toEqual(expected);
        expect(queryOne(installation.db, 'SELECT type, id FROM command_log ORDER BY seq DESC')).toEqual({
          type,
          id: answer.id,
        });
        expect(queryAll(installation.db, 'SELECT 1 FROM plan_mark').length > 0).toBe(plans === true);
        if (plans) expect(COMMANDS[type as CommandType].affects).toBe('plan');
      });
    },
  );
});

describe('an area that is changed', () => {
  it('keeps the steps that were worked on, whatever is no longer to be done', () => {
    const installation = demoHouse();
    must(installation, 'area.change', {
      id: areaOf('guest'),
      version: queryOne<{ version: number }>(installation.db, 'SELECT version FROM area WHERE id = @id', {
        id: areaOf('guest'),
      })!.version,
      name: 'Guest suite',
      works: ['redecorate'],
      size: 1,
    });
    const phases = queryAll<{ phase: string }>(installation.db, 'SELECT phase FROM step WHERE area = @area', {
      area: areaOf('guest'),
    }).map((step) => step.phase);
    expect(phases).toContain('framing');
    expect(phases).toContain('wiring-rough');
    expect(phases).not.toContain('board');
  });

  it('brings half-days by its size, but no more waiting', () => {
    const installation = emptyHouse();
    must(
      installation,
      'firm.found',
      { name: 'F', personId: newId(), ownerName: 'O', email: 'o@f.example', password: 'long enough for it' },
      { kind: 'founder' },
    );
    const [job, level, small, large] = [newId(), newId(), newId(), newId()];
    must(installation, 'job.open', { id: job, name: 'J', units: 'metric', startDay: '2027-03-15' });
    const room = { level, kind: 'room', works: ['rebuild'] } as const;
    must(installation, 'areas.add', {
      job,
      levels: [{ id: level, name: 'G', height: 0 }],
      areas: [
        { ...room, id: small, name: 'Small', size: 0.5 },
        { ...room, id: large, name: 'Large', size: 2 },
      ],
    });
    const halfDays = (area: string, phase: string) =>
      queryOne<{ half_days: number }>(
        installation.db,
        'SELECT half_days FROM step WHERE area = @area AND phase = @phase',
        {
          area,
          phase,
        },
      )?.half_days;
    expect([halfDays(small, 'framing'), halfDays(large, 'framing')]).toEqual([2, 8]);
    expect([halfDays(small, 'rough-inspection'), halfDays(large, 'rough-inspection')]).toEqual([1, 1]);
  });
});
