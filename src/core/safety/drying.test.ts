import { describe, expect, it } from 'vitest';
import type { Link } from '../schedule/network';
import type { PlannedTask } from '../schedule/plan';
import { sayDrying } from '../words/tonight';
import { dryingOver } from './drying';

const origin = '2027-03-08';
const task = (phase: PlannedTask['phase'], start: number, finish: number, more: Partial<PlannedTask> = {}) =>
  ({
    ...{ id: `bath:${phase ?? ''}`, job: 'j', area: 'bath', phase, state: 'waiting', start, finish },
    ...{ duration: finish - start, work: { kind: 'step', area: 'Bath', phase }, ...more },
  }) as PlannedTask;
const link = (before: PlannedTask, after: PlannedTask, lag: number, lagUnit: Link['lagUnit'] = 'elapsed'): Link => ({
  ...{ before: before.id, after: after.id, kind: 'FS', lag, lagUnit, strength: 'hard', rule: 1, reason: 'it dries' },
});
/** Tuesday morning: what is wet over the night from Monday. */
const MORNING = 2;
const said = (tasks: PlannedTask[], links: Link[] = [], morning = MORNING): string[] =>
  dryingOver({ tasks, links }, 'j', morning).map((fresh) => sayDrying(fresh, origin, origin));

describe('what is wet or curing over a night', () => {
  const tape = task('tape', 0, 2);
  const coats = task('first-coats', 4, 6);

  it('is what ended before it and is followed only later', () => {
    expect(said([tape, coats], [link(tape, coats, 2)])).toEqual([
      'Bath · tape: still wet or curing; nothing on it before Wed 10 Mar, morning',
    ]);
  });

  it('is nothing once it is dry, nothing before it was done, and nothing that only waits for working days', () => {
    expect(said([tape, coats], [link(tape, coats, 2)], 5)).toEqual([]);
    expect(said([task('tape', 2, 4), coats], [link(task('tape', 2, 4), coats, 2)])).toEqual([]);
    expect(said([tape, coats], [link(tape, coats, 2, 'work')])).toEqual([]);
    expect(said([tape, { ...coats, state: 'done' }], [link(tape, { ...coats, state: 'done' }, 2)])).toEqual([]);
  });

  it('is a wait that runs through it, by its own name; of two followers the first counts', () => {
    expect(said([task('floor-cure', 1, 8)])).toEqual(['Bath · slab cures: nothing on it before Fri 12 Mar, morning']);
    const tiles = task('tiling', 12, 14);
    expect(said([tape, coats, tiles], [link(tape, tiles, 10), link(tape, coats, 2)])).toHaveLength(1);
    expect(said([tape, coats, tiles], [link(tape, tiles, 10), link(tape, coats, 2)])[0]).toContain('Wed 10 Mar');
  });
});
