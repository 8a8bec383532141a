import { describe, expect, it } from 'vitest';
import type { AnswerView } from '@/contract/views/advice';
import { dispatch } from '@/server/dispatch/dispatch';
import { planInput } from '@/server/plan/plan-input';
import { readPlan } from '@/server/reading/plan';
import { readFirm } from '@/server/reading/reading';
import { callsOf } from '@/server/views/calls';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { command, must, newId, TODAY } from '../support/installations';
import { advised, type Advised } from '../support/slips';
import { build, type Built } from '../support/synthetic';
import type { SlipOf } from '@/contract/routes';

/** A lived-in house with one bathroom and a kitchen. */
function house(over: object = {}): Built {
  const built = build(
    {
      Bath: { works: ['bathroom'], kind: 'wet', livedIn: true, provides: ['toilet'] },
      Kitchen: { works: ['kitchen'], livedIn: true },
    },
    { livedIn: true, promiseDay: addDays(TODAY, 40), ...over },
  );
  must(built.installation, 'job.change', jobRow(built, { state: 'active' }) as never, built.owner);
  built.renew();
  return built;
}

function jobRow({ installation, job }: Built, over: object): object {
  const { version } = installation.db.prepare('SELECT version FROM job WHERE id = ?').get(job) as { version: number };
  return {
    ...{ id: job, version, name: 'One House', units: 'metric', startDay: TODAY, leaves: 'evening', livedIn: true },
    ...{ promiseDay: addDays(TODAY, 40), ...over },
  };
}

const ask = ({ installation, owner }: Built, of: SlipOf): Advised => advised(installation, owner, of);

const found = ({ all }: Advised, title: RegExp): AnswerView => {
  const answer = all.find((one) => title.test(one.title));
  if (!answer) throw new Error(`none of ${all.map((one) => one.title).join(', ')}`);
  return answer;
};

function take({ installation, owner, job, renew }: Built, of: SlipOf, sheet: Advised, answer: AnswerView): string {
  const { title, steps, endDay } = answer;
  const given = command('answer.take', {
    ...{ id: newId(), job, selection: undefined, task: undefined, ...of, title, steps },
    ...{ ends: endDay, wouldEnd: sheet.slip.wait.endDay },
  });
  expect(dispatch(installation, owner, given)).toMatchObject({ status: 'applied' });
  renew();
  return given.id;
}

const startOf = ({ installation }: Built, task: string): string =>
  dayOfSlot(
    readPlan(installation.db)?.origin ?? TODAY,
    readPlan(installation.db)?.tasks.find(({ id }) => id === task)?.start ?? 0,
  );

describe('answers to what slips', () => {
  it('a toilet on hire stands in where the household would be without, with what it costs by the day', () => {
    const built = house();
    const { installation, owner, job, areas } = built;
    const of = { task: `${areas.Bath}:plumbing-finish` };
    const sheet = ask(built, of);
    const answer = found(sheet, /^A toilet on hire/);
    expect(sheet.slip.wait.nights).toBeGreaterThan(0);
    expect(answer.nights).toBeLessThan(sheet.slip.wait.nights);
    expect(answer.costs).toEqual({ parts: [], unknown: ['A toilet on hire'] });
    expect(sheet.best.some(({ title }) => /toilet on hire/i.test(title))).toBe(true);
    const other = { id: newId(), job, need: 'toilet' as const, words: 'a toilet in the yard', dayCost: 1200 };
    must(installation, 'provision.add', { ...other, fromDay: TODAY, untilDay: TODAY }, owner);
    expect(callsOf(readFirm(installation)).map(({ text }) => text)).toContain(
      'A toilet in the yard: has to stand there that morning',
    );
    const priced = found(ask(built, of), /^A toilet on hire/);
    expect(priced.costs.unknown).toEqual([]);
    expect(priced.cost % 1200).toBe(0);
    expect(priced.cost).toBeGreaterThan(0);
    take(built, of, sheet, answer);
    expect(ask(built, of).slip.wait.nights).toBe(answer.nights);
  });

  it('cost what is paid on days off, what the site costs by the day and days late; a lead reads no sums', () => {
    const built = house({ promiseDay: TODAY });
    const { installation, owner, job, areas } = built;
    must(installation, 'job.set-money', { job, pricesShown: 'area', lateCost: 10_000, siteCost: 5000 }, owner);
    must(installation, 'rate.set-hour', { trade: 'tile', perHour: 4000 }, owner);
    must(installation, 'job.change', jobRow(built, { state: 'active', promiseDay: TODAY }) as never, owner);
    built.renew();
    const of = { task: `${areas.Bath}:tiling` };
    const sheet = ask(built, of);
    const saturday = sheet.all.find(({ daysOff, won }) => daysOff > 0 && won > 0);
    expect(saturday?.costs.parts.map(({ label }) => label)).toContainEqual(expect.stringMatching(/late by .* less$/));
    const { parts = [] } = saturday?.costs ?? {};
    // A day off that is worked is a day of site too: what is saved is less by it than what is won.
    const site = parts.find(({ label }) => /of site less$/.test(label))?.amount ?? 0;
    expect(site).toBeCloseTo(-5000 * Math.round((saturday?.won ?? 0) - (saturday?.daysOff ?? 0)));
    expect(saturday?.cost).toBe(parts.reduce((sum, { amount }) => sum + amount, 0));
    const lead = advised(installation, { kind: 'person', id: newId(), name: 'Lee', role: 'lead' }, of);
    expect(lead.all.every(({ cost, costs }) => cost === 0 && costs.parts.length === 0)).toBe(true);
  });

  it('have a part shipped: the first go waits for what comes first, the second for the rest; one undo puts it back', () => {
    const built = house();
    const { installation, owner, job, areas } = built;
    built.see('Bath', 'tear-out', 1);
    const [id, first, rest] = [newId(), addDays(TODAY, 30), addDays(TODAY, 60)];
    must(
      installation,
      'selection.add',
      {
        ...{ id, job, area: areas.Bath ?? '', phase: 'tiling', category: 'Tiles', choice: 'white', quantity: 20 },
        ...{ unit: 'box', leadLow: 5, leadHigh: 20, state: 'ordered', expectedOn: first },
      },
      owner,
    );
    must(installation, 'supplier.say', { selection: id, says: 'slips', text: 'the kiln is down', day: rest }, owner);
    built.renew();
    const task = `${areas.Bath}:tiling`;
    expect(startOf(built, task) >= rest).toBe(true);
    const sheet = ask(built, { selection: id });
    const answer = found(sheet, /^Have what is ready shipped/);
    expect(answer.won).toBeGreaterThanOrEqual(0);
    const given = take(built, { selection: id }, sheet, answer);
    expect(startOf(built, `${task}~1`) >= first).toBe(true);
    expect(startOf(built, `${task}~1`) < rest).toBe(true);
    expect(startOf(built, task) >= rest).toBe(true);
    must(installation, 'undo', { command: given }, owner);
    built.renew();
    expect(readPlan(installation.db)?.tasks.some(({ id: one }) => one === `${task}~1`)).toBe(false);
    expect(startOf(built, task) >= rest).toBe(true);
  });

  it('ask the office for another day, which the plan goes by once it is taken', () => {
    const built = house();
    const { installation, owner, areas } = built;
    const office = newId();
    must(
      installation,
      'office.set',
      {
        ...{ id: office, version: 0, name: 'Building office', phone: '', phases: ['rough-inspection'], kinds: [] },
        ...{ weekdays: [1, 2, 3, 4, 5], noticeDays: 2, visitsADay: 3 },
      } as never,
      owner,
    );
    built.renew();
    const task = `${areas.Bath}:rough-inspection`;
    const far = addDays(TODAY, 50);
    must(
      installation,
      'inspection.book',
      { id: newId(), area: areas.Bath ?? '', phase: 'rough-inspection', wishedOn: far } as never,
      owner,
    );
    built.renew();
    const late = startOf(built, task);
    expect(late >= far).toBe(true);
    const sheet = ask(built, { task });
    const answer = found(sheet, /^Building office on /);
    expect(answer.won).toBeGreaterThan(0);
    take(built, { task }, sheet, answer);
    expect(startOf(built, task) < far).toBe(true);
    expect(planInput(readFirm(installation)).notBefore.filter((wait) => wait.task === task)).toHaveLength(1);
  });

  it('do in one go what was to be done in two', () => {
    const built = house();
    const { installation, owner, areas } = built;
    const step = { area: areas.Bath ?? '', phase: 'tiling' as const };
    const { half_days: whole } = installation.db
      .prepare(`SELECT half_days FROM step WHERE area = ? AND phase = 'tiling'`)
      .get(step.area) as { half_days: number };
    const parts = [
      { label: 'walls', halfDays: 1 },
      { label: 'floor', halfDays: whole - 1 },
    ];
    must(installation, 'step.split', { ...step, parts }, owner);
    built.renew();
    const of = { task: `${step.area}:tiling` };
    const sheet = ask(built, of);
    take(built, of, sheet, found(sheet, /^Do it in one go/));
    expect(readPlan(installation.db)?.tasks.some(({ id }) => id === `${step.area}:tiling~1`)).toBe(false);
  });
});
