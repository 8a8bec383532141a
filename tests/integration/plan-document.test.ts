import { describe, expect, it } from 'vitest';
import { checkPlan } from '@/core/schedule/check';
import type { Plan } from '@/core/schedule/plan';
import { readPlan } from '@/server/reading/plan';
import { demoHouse } from '../support/installations';
import { reasonSaid, workSaid } from '../support/said';

/** As it goes over the wire: nothing but the document. */
const document = (): Plan => {
  const plan = JSON.parse(JSON.stringify(readPlan(demoHouse().db))) as Plan;
  return plan;
};

describe('plan.json of the demo', () => {
  it('obeys its own links, lags, calendars, crews and areas', () => {
    const plan = document();
    expect(new Set(plan.tasks.map((task) => task.job)).size).toBe(4);
    expect(plan.tasks.length).toBeGreaterThan(200);
    expect(checkPlan(plan)).toEqual([]);
  });

  it('would be caught in every one of them', () => {
    const plan = document();
    const waiting = plan.tasks.filter((task) => task.state === 'waiting' && task.slots.length > 0);
    const change = (id: string, over: object): Plan => ({
      ...plan,
      tasks: plan.tasks.map((task) => (task.id === id ? { ...task, ...over } : task)),
    });
    const linked = plan.links.find(
      (link) => link.lag > 0 && waiting.some((task) => task.id === link.after && task.start > 0),
    );
    const crewed = waiting.find((task) => task.crew !== null);
    const roomed = waiting.find((task) => task.area !== null);
    if (!linked || !crewed?.crew || !roomed?.area) throw new Error('The demo has become too simple.');
    const after = waiting.find((task) => task.id === linked.after);
    expect(
      checkPlan(change(linked.after, { start: 0, slots: [0, ...(after?.slots.slice(1) ?? [])] })).join(),
    ).toContain('not kept');
    expect(
      checkPlan({
        ...plan,
        crewCapacity: plan.crewCapacity.map((crew) => (crew.sub === crewed.crew ? { ...crew, capacity: 0 } : crew)),
      }).join(),
    ).toContain('no crew free');
    expect(checkPlan({ ...plan, areaCapacity: { ...plan.areaCapacity, [roomed.area]: 0 } }).join()).toContain(
      'area full',
    );
    expect(
      checkPlan({ ...plan, calendars: { ...plan.calendars, [crewed.calendar]: { worked: [] } } }).join(),
    ).toContain('does not take the worked slots');
  });

  it('says why everything starts when it does', () => {
    for (const task of document().tasks) expect(`${workSaid(task)}: ${reasonSaid(task)}`).toMatch(/: .+\.$/);
  });
});
