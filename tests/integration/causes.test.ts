import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { causesIn, type Cause } from '@/core/schedule/cause';
import { makePlan, type Plan } from '@/core/schedule/plan';
import { planDiff } from '@/core/schedule/plan-diff';
import { addDays, formatDay } from '@/core/units/day';
import { composeDraft } from '@/server/views/draft';
import { sayCause } from '@/core/words/cause';
import { standingClock } from '@/server/clock';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { markPlan, marksOf } from '@/server/door/marks';
import type { Installation } from '@/server/installation';
import { traceOf } from '@/server/plan/causes';
import { planInput } from '@/server/plan/plan-input';
import { renewOnce } from '@/server/plan/renew';
import { readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { progressView } from '@/server/views/progress';
import { reviewView } from '@/server/views/review';
import { scheduleView } from '@/server/views/board';
import { demoHouse, must, newId, NOW, signalHouse, TODAY, trying } from '../support/installations';
import { asRead } from '../support/sending';
import { workSaid } from '../support/said';

/** Things that happen in a week, each with what it happens to drawn from what there is. */
type Event = (installation: Installation, number: number, days: number) => void;
const pick = <Row>(rows: readonly Row[], number: number): Row => rows[number % rows.length] as Row;
const rows = <Row>({ db }: Installation, sql: string): Row[] => queryAll<Row>(db, sql);

const EVENTS: Record<string, Event> = {
  'goods slip': (installation, number, days) => {
    const { id, version, expected_on } = pick(
      rows<{ id: string; version: number; expected_on: string }>(
        installation,
        `SELECT * FROM selection WHERE state IN ('ordered', 'confirmed') AND expected_on >= '${TODAY}' ORDER BY id`,
      ),
      number,
    );
    must(installation, 'selection.expect', {
      id,
      version,
      expectedOn: addDays(expected_on, days),
      note: 'so they say',
    });
  },
  'a step takes longer': (installation, number, days) => {
    const step = pick(
      rows<{ area: string; phase: never; trade: never; half_days: number }>(
        installation,
        `SELECT step.* FROM step JOIN area ON area.id = step.area WHERE trade <> 'nobody' ORDER BY area, phase`,
      ),
      number,
    );
    const { area, phase, trade } = step;
    must(installation, 'step.change', { area, phase, trade, halfDays: step.half_days + days });
  },
  'a sub is away': (installation, number, days) => {
    const { id } = pick(rows<{ id: string }>(installation, 'SELECT id FROM sub ORDER BY id'), number);
    const free = addDays('2027-06-01', number % 20);
    const from = days % 2 ? TODAY : free;
    execute(installation.db, 'DELETE FROM day_away WHERE sub = @id', { id });
    must(installation, 'sub.away', { sub: id, firstDay: from, lastDay: addDays(from, days) });
  },
  'a step is put on hold': (installation, number, days) => {
    const { area, phase, job } = pick(
      rows<{ area: string; phase: never; job: string }>(
        installation,
        'SELECT step.area, step.phase, area.job FROM step JOIN area ON area.id = step.area ORDER BY area, phase',
      ),
      number,
    );
    must(installation, 'hold.add', {
      id: newId(),
      job,
      area,
      phase,
      kind: 'unknown',
      label: 'a word',
      text: 'nobody has answered',
      expectedOn: addDays(TODAY, 7 * days),
    });
  },
};

const KINDS = Object.keys(EVENTS);
const happening = fc.record({
  kind: fc.constantFrom(...KINDS),
  number: fc.nat({ max: 400 }),
  days: fc.integer({ min: 1, max: 12 }),
});
type Happening = typeof happening extends fc.Arbitrary<infer One> ? One : never;

interface World {
  plan: Plan;
  /** What is told of each thing that moved from the former plan: a piece of work, or a job's last day. */
  told: Map<string, Cause[]>;
}

/** The plan after some things happened, placed once and not searched, and what is told of its moves. */
function world(installation: Installation, former: Plan, happened: readonly Happening[]): World | undefined {
  let found: World | undefined;
  trying(installation, () => {
    execute(installation.db, 'DELETE FROM plan_mark');
    happened.forEach(({ kind, number, days }, index) => {
      EVENTS[kind]?.(installation, number, days);
      // Which of them a cause came from is known by its record.
      for (const mark of marksOf(installation.db))
        if (mark.causes[0]?.record?.length !== 1)
          execute(installation.db, 'UPDATE plan_mark SET cause = @cause WHERE id = @id', {
            id: mark.id,
            cause: JSON.stringify(mark.causes.map((cause) => ({ ...cause, record: String(index) }))),
          });
    });
    const firm = readFirm(installation);
    const plan = makePlan(planInput(firm));
    if (!plan.ok) return;
    const trace = traceOf(firm, marksOf(installation.db), former, plan.value);
    const told = new Map<string, Cause[]>();
    for (const job of new Set(plan.value.tasks.map((task) => task.job)))
      for (const { task } of planDiff(former, plan.value, job).moved) told.set(task.id, trace.ofTask(task.id));
    found = { plan: plan.value, told };
  });
  return found;
}

/** A plan of now, so that only what happens after it moves anything. */
function renewed(installation: Installation): void {
  markPlan(installation.db, { job: signalHouse, walk: null, causes: [{ kind: 'form' }] });
  renewOnce(installation);
}

const startOf = (plan: Plan, id: string): string => {
  const task = plan.tasks.find((entry) => entry.id === id);
  return task ? `${task.start}–${task.finish}` : 'gone';
};

describe('what is told to have moved a plan', () => {
  it('is such that without it the move is gone, or the other thing that is enough for it is told too', () => {
    const installation = demoHouse();
    const firm = readFirm(installation);
    const made = makePlan(planInput(firm));
    if (!made.ok) throw new Error(made.problem.message);
    // What was placed like this before stays, so that only what happens moves anything.
    const former = made.value;
    execute(installation.db, 'DELETE FROM plan_mark');
    let alone = 0;
    fc.assert(
      fc.property(fc.tuple(happening, happening), (both) => {
        const [all, first, second] = [both, [both[0]], [both[1]]].map((list) => world(installation, former, list));
        if (!all || !first || !second) return;
        for (const [id, causes] of all.told) {
          expect(causes.length, id).toBeGreaterThan(0);
          const records = new Set(causes.map((cause) => cause.record));
          if (records.size > 1) continue;
          alone++;
          // Only one of the two is told: with the other alone it is not where it is now.
          const without = records.has('0') ? second : first;
          expect(startOf(without.plan, id), `${id} by ${sayCause(causes[0] as Cause, TODAY)}`).not.toBe(
            startOf(all.plan, id),
          );
        }
      }),
      { numRuns: 25 },
    );
    expect(alone).toBeGreaterThan(0);
  });
  const moved = (installation: Installation, task?: string) =>
    queryAll<{ task: string | null; made_at: string; cause: string }>(
      installation.db,
      `SELECT task, made_at, cause FROM plan_move WHERE version = (SELECT max(version) FROM plan)`,
    ).filter((move) => task === undefined || move.task === task);

  it('is a record in the log, older than the plan that moved', () => {
    const installation = demoHouse();
    renewed(installation);
    EVENTS['goods slip']?.(installation, 3, 30);
    EVENTS['a sub is away']?.(installation, 2, 6);
    const seq = renewOnce(installation) ?? 0;
    const causes = moved(installation).flatMap((move) => causesIn(move.cause));
    expect(causes.length).toBeGreaterThan(3);
    for (const { record = '' } of causes)
      expect(
        queryOne<{ seq: number }>(installation.db, 'SELECT seq FROM command_log WHERE id = @record', { record })?.seq,
      ).toBeLessThan(seq);
  });

  it('is what a walk saw, told alike in its review, on the board, in progress and to the client', () => {
    const installation = demoHouse();
    renewed(installation);
    must(installation, 'update.send', asRead(installation));
    const walk = newId();
    must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
    // What decides when the house is finished is further on than planned.
    const ahead = (readPlan(installation.db, { job: signalHouse })?.tasks ?? [])
      .filter((task) => task.critical && task.phase !== null && task.duration > 1 && task.start > 10)
      .sort((a, b) => a.start - b.start)
      .slice(0, 3);
    for (const { area, phase } of ahead)
      must(installation, 'observation.record', {
        observation: {
          id: newId(),
          walk,
          area: area ?? '',
          kind: 'progress',
          phase: phase ?? 'tear-out',
          fraction: 0.9,
        },
      });
    must(installation, 'walk.finish', { id: walk });
    renewOnce(installation);
    const job = readJob(installation, signalHouse);
    const review = reviewView(job, walk, () => readFirm(installation));
    const said = review.moved.flatMap((work) => (work.causes ?? []).map((cause) => sayCause(cause, TODAY) as string));
    expect(said.some((text) => / is about .* done, .* (behind|ahead of) the plan\.$/.test(text))).toBe(true);
    const progress = progressView(job, { allSlips: true });
    expect(progress.slipped.flatMap((entry) => entry.causes.map(({ cause }) => cause)).join()).toMatch(
      /behind the plan|ahead of the plan/,
    );
    expect(scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 }).board.cause).toMatch(
      /^The walk of .* brought the plan up to date\.$/,
    );
    expect(review.causes.length).toBeGreaterThan(0);
    const client = composeDraft(job, 'client').text;
    expect(client).toMatch(/than we told you\. .* (longer|faster) than we thought\./);
  });

  it('is the day that went by, where nobody has seen what was to begin on it', () => {
    const installation = demoHouse();
    renewed(installation);
    const former = readPlan(installation.db) as Plan;
    const first = former.tasks.find((task) => task.state === 'waiting' && task.start < 2 && task.slots.length > 0);
    installation.clock = standingClock(new Date(Date.parse(NOW) + 3 * 86_400_000));
    must(installation, 'holiday.add', { day: '2028-12-27', name: 'an inventory' });
    renewOnce(installation);
    const [move] = moved(installation, first?.id);
    expect(causesIn(move?.cause ?? '').map((cause) => sayCause(cause, TODAY) as string)).toEqual([
      `${workSaid(first)} was to begin on ${formatDay(TODAY)}, and no walk has seen it begin.`,
    ]);
  });

  it('is told as it was where an older form kept a sentence, and as what it was where the thing is gone', () => {
    const installation = demoHouse();
    execute(installation.db, `UPDATE plan SET cause = 'the outlook changed'`);
    execute(installation.db, `UPDATE plan_move SET cause = 'a walk was finished on Tue 2 Mar'`);
    const job = readJob(installation, signalHouse);
    expect(scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 }).board.cause).toBe(
      'The outlook changed.',
    );
    expect(JSON.stringify(progressView(job, { allSlips: true }))).toContain('A walk was finished on Tue 2 Mar.');
    expect(causesIn('{"kind":')).toEqual([{ kind: 'told', text: '{"kind":' }]);
    expect(causesIn('')).toEqual([]);
  });
});
