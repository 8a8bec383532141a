import { describe, expect, it } from 'vitest';
import type { ClientShared } from '@/contract/views/news';
import { sum } from '@/core/units/rounding';
import { priceRows } from '@/core/scope/statement';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { effectOfChange } from '@/server/plan/change-effect';
import { renewOnce } from '@/server/plan/renew';
import { finishIf } from '@/server/plan/what-if';
import { openLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { extraId } from '@/core/sequence/site';
import { planOf } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { changeNow } from '@/server/reading/scope';
import { pathOf } from '@/server/tokens';
import { changesView } from '@/server/views/changes';
import { estimateOf } from '@/server/views/estimate';
import { moneyView } from '@/server/views/money';
import { pricesView } from '@/server/views/prices';
import { statementView } from '@/server/views/statement';
import { demoId } from '../../demo/seed';
import { sendToClient } from '../support/client';
import { demoHouse, giveRaw, must, newId } from '../support/installations';

const dairy = demoId('dairy');
const tannery = demoId('tannery');
const job = (installation: Installation, id = dairy) => readJob(installation, id);
const refused = (installation: Installation, type: string, payload: unknown, who?: Actor) => {
  const answer = giveRaw(installation, type, payload, who);
  if (answer.status !== 'refused') throw new Error(`${type} was taken`);
  return { ...answer.problem, status: answer.httpStatus };
};
const LEAD: Actor = { kind: 'person', id: demoId('person', 'tobin'), name: 'Tobin', role: 'lead' };
const lines = (installation: Installation, id = dairy) =>
  queryAll<{ id: string; version: number; stance: string; quantity: number | null }>(
    installation.db,
    `SELECT id, version, stance, quantity
      FROM scope_item
      WHERE job = @id AND removed = 0 AND stance NOT IN ('out', 'keep-live')`,
    { id },
  );
/** Every line of a job as one sum. */
function priceAll(installation: Installation, each: number): void {
  must(installation, 'scope.price', {
    job: dairy,
    lines: lines(installation).map(({ id, version }) => ({ id, version, way: 'sum' as const, unitPrice: each })),
  });
}
const damage = demoId('dairy', 'finding', '0');
const assumption = demoId('dairy', 'assumption', '0');
const allowance = (installation: Installation): string =>
  queryOne<{ id: string }>(installation.db, `SELECT id FROM finding WHERE kind = 'allowance' AND job = @dairy`, {
    dairy,
  })?.id ?? '';
const changeOf = (installation: Installation, id: string) => {
  const view = changesView(readFirm(installation).job(dairy), new Map()).changes.find((change) => change.id === id);
  if (!view) throw new Error('no such change');
  return view;
};
/** Sent, and approved by the client. */
function approve(installation: Installation, id: string): void {
  const client = sendToClient(installation, dairy, 'change.send', id, changeOf(installation, id).version);
  must(installation, 'change.answer', { id, verdict: 'approved', name: 'Hesper' }, client);
}

describe('the price of a job', () => {
  it('is the sum of its lines and allowances, by rooms, in parts that make up the whole', () => {
    const installation = demoHouse();
    priceAll(installation, 100_033);
    const { sums, payments } = statementView(job(installation)).content;
    const estimate = estimateOf(job(installation));
    expect(sums?.total).toBe(estimate.price.total);
    expect(sum(sums?.rows.map(({ amount }) => amount) ?? [])).toBe(sums?.sum);
    expect(sums?.unpriced).toBe(0);
    // Overlay or strip is still to be chosen: its lines are in no sum, both ways are named with what they cost.
    expect(sums?.toChoose).toMatchObject([{ text: 'Lane face: overlay or strip', ways: [{}, {}] }]);
    expect(priceRows(sums!).map(({ text }) => text)).toContain('So far, with tax');
    expect(payments).toEqual([]);
  });

  it('stands line by line, by rooms or as one sum, with the tax in it or under it, and is the same sum every way', () => {
    const installation = demoHouse();
    priceAll(installation, 77_777);
    const seen = new Set<number>();
    for (const taxShown of ['apart', 'within'] as const)
      for (const currency of ['EUR', 'JPY'])
        for (const pricesShown of ['line', 'area', 'total'] as const) {
          must(installation, 'firm.set-money', { currency, markup: 0.137, taxRate: 0.19, taxShown });
          must(installation, 'job.set-money', { job: dairy, pricesShown });
          const { content } = statementView(job(installation));
          const { sums } = content;
          if (currency === 'EUR') seen.add(sums!.total);
          else expect(sums!.total % 100).toBe(0);
          expect(sums!.sum + (taxShown === 'apart' ? sums!.tax : 0)).toBe(sums!.total);
          if (pricesShown !== 'total') expect(sum(sums!.rows.map(({ amount }) => amount))).toBe(sums!.sum);
          else expect(sums!.rows).toEqual([]);
          const amounts = content.areas.flatMap((area) => area.lines.flatMap(({ amount }) => amount ?? []));
          if (pricesShown === 'line')
            expect(sum(amounts) + sum(content.allowances.flatMap(({ amount }) => amount ?? []))).toBe(sums!.sum);
          else expect(amounts).toEqual([]);
        }
    expect(seen.size).toBe(1);
  });

  it('is worked out from hours at the rate of the trade, and from what the kept calculations of a line buy', () => {
    const installation = demoHouse();
    const gable = demoId('dairy', 'scope', '1');
    must(installation, 'rate.set-hour', { trade: 'roofing', perHour: 5000 });
    const kept = newId();
    must(installation, 'calculation.keep', {
      id: kept,
      area: demoId('dairy', 'area', 'east'),
      calculator: 'boxes',
      product: 'Clips',
      input: { area: 20, waste: 0, perBox: 5 },
      fed: {},
      scopeItem: gable,
      unitPrice: 1200,
    });
    const version = (): number => lines(installation).find(({ id }) => id === gable)?.version ?? 0;
    must(installation, 'scope.price', {
      job: dairy,
      lines: [{ id: gable, version: version(), way: 'parts', unitPrice: 3000, hours: 1.25 }],
    });
    const entry = () => estimateOf(job(installation)).entries.find(({ key }) => key === `scope ${gable}`);
    // 24 m² × 30.00 and four boxes of 12.00; 24 × 1.25 h × 50.00
    expect(entry()).toMatchObject({ material: 76_800, labour: 150_000, net: 226_800, hours: 30, missing: [] });
    const row = queryOne<{ version: number }>(installation.db, 'SELECT version FROM calculation WHERE id = @kept', {
      kept,
    });
    must(installation, 'calculation.change', {
      id: kept,
      version: row?.version ?? 1,
      calculator: 'boxes',
      product: 'Clips',
      input: { area: 20, waste: 0, perBox: 5 },
      fed: {},
      scopeItem: gable,
    });
    expect(entry()).toMatchObject({ missing: ['material'] });
    must(installation, 'rate.set-hour', { trade: 'roofing' });
    expect(entry()).toMatchObject({ labour: 0, missing: ['material', 'rate'] });
    expect(pricesView(job(installation)).withoutRate).toEqual(['roofing']);
  });

  it('is that of the way that was chosen, once it is, and of its lines before', () => {
    const installation = demoHouse();
    priceAll(installation, 10_000);
    const set = demoId('dairy', 'options', '0');
    const before = estimateOf(job(installation)).price.net;
    must(installation, 'options.choose', { id: set, version: 1, key: 'strip', reason: 'rot', decisionId: newId() });
    const after = estimateOf(job(installation));
    const chosen = after.entries.find(({ key }) => key === `options ${set}`);
    expect(chosen?.net).toBeGreaterThan(0);
    expect(after.price.net).toBe(before + (chosen?.net ?? 0));
    expect(statementView(job(installation)).content.sums?.toChoose).toEqual([]);
  });

  it('refuses what is not understood, beside its field', () => {
    const installation = demoHouse();
    const [line] = lines(installation);
    const stove = demoId('dairy', 'scope', '4');
    const price = (over: object, id = line?.id) =>
      refused(installation, 'scope.price', {
        job: dairy,
        lines: [{ id, version: lines(installation).find((each) => each.id === id)?.version, way: 'sum', ...over }],
      });
    expect(price({})).toMatchObject({ field: 'lines[0].unitPrice', status: 400 });
    expect(price({ unitPrice: -100 })).toMatchObject({
      field: 'lines[0].unitPrice',
      title: expect.stringMatching(/not under 0/),
    });
    expect(price({ unitPrice: 1e13 })).toMatchObject({ title: expect.stringMatching(/cannot be meant/) });
    expect(price({ way: 'parts' })).toMatchObject({ field: 'lines[0].hours' });
    expect(price({ way: 'unit', unitPrice: 100 }, stove)).toMatchObject({ code: 'no-quantity', field: 'lines[0].way' });
    expect(price({ way: 'guess', unitPrice: 100 })).toMatchObject({ field: 'lines[0].way' });
    expect(
      refused(installation, 'firm.set-money', { currency: 'GOLD', markup: 0, taxRate: 0, taxShown: 'apart' }),
    ).toMatchObject({ field: 'currency' });
    expect(refused(installation, 'scope.price', { job: dairy, lines: [] }, LEAD)).toMatchObject({ status: 403 });
  });
});

describe('payment steps', () => {
  const step = (text: string, share: object, due: object = { kind: 'agreed' }) => ({ id: newId(), text, share, due });
  it('make up the price, and each says when it is due', () => {
    const installation = demoHouse();
    const { payments } = moneyView(job(installation, tannery));
    const { total } = statementView(job(installation, tannery)).content.sums!;
    expect(sum(payments.steps.map(({ amount }) => amount ?? 0))).toBe(total);
    expect(payments.steps.map(({ when, isDue }) => [when, isDue])).toEqual([
      ['When this is agreed', true],
      ['After the wall boards in Shop', true],
      ['When everything is handed over', false],
    ]);
    const due = payments.due;
    must(installation, 'payment.add', { id: newId(), job: tannery, day: '2027-03-08', amount: due });
    expect(moneyView(job(installation, tannery)).payments).toMatchObject({ due: 0 });
  });

  it('that do not add up, or follow a step that is not there, are refused beside the field', () => {
    const installation = demoHouse();
    const set = (...steps: object[]) => refused(installation, 'payments.set', { job: dairy, steps });
    expect(set(step('a', { kind: 'percent', percent: 40 }))).toMatchObject({
      code: 'payments-do-not-add-up',
      field: 'steps[0].share',
      title: 'The steps are 40 % together; 60 % are missing.',
    });
    expect(set(step('a', { kind: 'percent' }))).toMatchObject({ field: 'steps[0].share.percent' });
    expect(set(step('a', { kind: 'sum', amount: -5 }))).toMatchObject({ field: 'steps[0].share.amount' });
    expect(
      set(step('a', { kind: 'rest' }, { kind: 'step', area: demoId('dairy', 'area', 'back'), phase: 'worktops' })),
    ).toMatchObject({ field: 'steps[0].due.phase' });
    expect(set(step('a', { kind: 'rest' }, { kind: 'day' }))).toMatchObject({ field: 'steps[0].due.day' });
  });
});

describe('what was found otherwise', () => {
  it('an assumption that was wrong becomes a change with its price and days, which are in the plan once', () => {
    const installation = demoHouse();
    renewOnce(installation);
    const before = finishIf(readFirm(installation), dairy).job;
    must(installation, 'assumption.settle', {
      id: assumption,
      verdict: 'wrong',
      found: 'black and soft',
      extraId: newId(),
    });
    expect(moneyView(job(installation)).against).toMatchObject([{ of: 'assumption', open: 184_000, draftable: true }]);
    const id = newId();
    must(installation, 'change.draft', { id, of: 'assumption', from: assumption });
    expect(refused(installation, 'change.draft', { id: newId(), of: 'assumption', from: assumption })).toMatchObject({
      code: 'drafted-already',
      title: 'Change 1 holds it already.',
    });
    const change = changeOf(installation, id);
    expect(change).toMatchObject({
      state: 'draft',
      markup: 0.15,
      taxRate: 0.2,
      price: { net: 184_000, total: 253_920 },
    });
    const told = effectOfChange(installation, changeNow(installation.db, id));
    expect(told.before).toBe(before);
    approve(installation, id);
    renewOnce(installation);
    expect(finishIf(readFirm(installation), dairy).job).toBe(told.after);
    const works = queryAll(
      installation.db,
      `SELECT state, half_days FROM extra_work WHERE job = @dairy ORDER BY rowid`,
      {
        dairy,
      },
    );
    expect(works).toEqual([
      { state: 'dropped', half_days: 5 },
      { state: 'open', half_days: 5 },
    ]);
    const view = moneyView(job(installation));
    expect(view.changes.approved).toMatchObject({ count: 1, total: 253_920 });
    expect(view.against).toMatchObject([{ open: 0, draftable: false, changes: [{ number: 1, state: 'approved' }] }]);
    expect(statementView(job(installation)).content.changes).toMatchObject([{ amount: 253_920 }]);
  });

  it('what an approved change took over is not brought again, however often the assumption is settled', () => {
    const installation = demoHouse();
    const settle = (): void =>
      void must(installation, 'assumption.settle', {
        id: assumption,
        verdict: 'wrong',
        found: 'soft',
        extraId: newId(),
      });
    settle();
    const id = newId();
    must(installation, 'change.draft', { id, of: 'assumption', from: assumption });
    approve(installation, id);
    must(installation, 'assumption.reopen', { id: assumption });
    settle();
    expect(
      queryAll(installation.db, `SELECT change_order FROM extra_work WHERE job = @dairy AND state = 'open'`, { dairy }),
    ).toEqual([{ change_order: id }]);
  });

  it('a line that an approved change leaves out stays in the price that was agreed, and the change takes it off', () => {
    const installation = demoHouse();
    priceAll(installation, 100_000);
    const before = estimateOf(job(installation)).price.net;
    const back = demoId('dairy', 'scope', '2');
    const id = newId();
    must(installation, 'change.add', {
      ...{ id, job: dairy, kind: 'omission', title: 'the meadow face stays' },
      lines: [
        {
          ...{ id: newId(), area: demoId('dairy', 'area', 'back'), verb: 'paint', subject: 'the meadow face' },
          ...{ quantity: -1, unit: 'sum', unitPrice: 100_000 },
        },
      ],
      omits: [back],
    });
    approve(installation, id);
    expect(estimateOf(job(installation)).price.net).toBe(before);
    expect(moneyView(job(installation)).changes.approved.total).toBe(-138_000);
    expect(statementView(job(installation)).content.sums?.changes).toBe(-138_000);
  });

  it('a small opening comes before all that is not begun, and goes once the assumption is settled', () => {
    const installation = demoHouse();
    const probe = newId();
    must(installation, 'assumption.probe', { id: assumption, extraId: probe, text: 'open a hole', trade: 'carpentry' });
    renewOnce(installation);
    const { area = '' } =
      queryOne<{ area: string }>(installation.db, 'SELECT area FROM assumption WHERE id = @id', { id: assumption }) ??
      {};
    const plan = planOf(job(installation));
    const start = (id: string): number => plan?.tasks.find((task) => task.id === id)?.start ?? -1;
    const others =
      plan?.tasks.filter((task) => task.area === area && task.phase !== null && task.state !== 'done') ?? [];
    expect(others.length).toBeGreaterThan(3);
    for (const task of others) expect(task.start).toBeGreaterThan(start(extraId(probe)));
    expect(moneyView(job(installation)).risk).toMatchObject({ open: 3 });
    must(installation, 'assumption.settle', { id: assumption, verdict: 'held', extraId: newId() });
    expect(queryOne(installation.db, 'SELECT state FROM extra_work WHERE id = @probe', { probe })).toEqual({
      state: 'dropped',
    });
  });

  it('damage is held against what the price allows: more is paid, less is given back', () => {
    const installation = demoHouse();
    const draft = (): string => {
      const id = newId();
      must(installation, 'change.draft', { id, of: 'finding', from: damage });
      return id;
    };
    expect(refused(installation, 'change.draft', { id: newId(), of: 'finding', from: damage })).toMatchObject({
      code: 'not-found-yet',
    });
    must(installation, 'finding.measure', { id: damage, found: 5.5 });
    expect(moneyView(job(installation)).against).toMatchObject([{ open: 37_000, draftable: true }]);
    approve(installation, draft());
    // Measured again: the change holds what was known when it was made.
    must(installation, 'finding.measure', { id: damage, found: 5 });
    expect(moneyView(job(installation)).against).toMatchObject([{ open: -7400, draftable: true }]);
    const saved = draft();
    expect(changeOf(installation, saved)).toMatchObject({ kind: 'omission', price: { net: -7400 } });
    approve(installation, saved);
    expect(moneyView(job(installation)).against).toMatchObject([{ open: 0, draftable: false }]);
    expect(
      queryAll(installation.db, 'SELECT subject, quantity FROM scope_item WHERE change_order IS NOT NULL'),
    ).toEqual([{ subject: 'rot in the lowest boards and the sill beam', quantity: 2.5 }]);
  });

  it('an allowance is held against what was chosen, and what is above it becomes a change of money alone', () => {
    const installation = demoHouse();
    const area = demoId('dairy', 'area', 'workshop');
    const lights = newId();
    must(installation, 'selection.add', {
      id: lights,
      job: dairy,
      area,
      phase: 'wiring-finish',
      category: 'Lights',
      choice: 'Enamel shades',
      state: 'chosen',
      quantity: 4,
      unit: 'pieces',
      unitPrice: 12_500,
      leadLow: 5,
      leadHigh: 9,
    });
    expect(moneyView(job(installation)).unpaid).toMatchObject([{ price: 50_000 }]);
    must(installation, 'selection.allow', { id: lights, version: 1, allowance: allowance(installation) });
    const view = moneyView(job(installation));
    expect(view.unpaid).toEqual([]);
    expect(view.allowances).toMatchObject([{ allowed: 38_000, chosen: 50_000, open: 12_000, unsure: false }]);
    const id = newId();
    must(installation, 'change.draft', { id, of: 'finding', from: allowance(installation) });
    // The client reads why: what they pay, and nothing of what it costs.
    expect(changeOf(installation, id).why).toBe('Chosen for €690.00; €524.40 was allowed for, everything included');
    const before = lines(installation).length;
    approve(installation, id);
    expect(lines(installation).length).toBe(before);
    expect(moneyView(job(installation)).allowances).toMatchObject([{ changed: 12_000, open: 0 }]);
    expect(
      refused(installation, 'change.draft', { id: newId(), of: 'finding', from: allowance(installation) }),
    ).toMatchObject({ code: 'drafted-already' });
    expect(refused(installation, 'selection.allow', { id: lights, version: 2, allowance: damage })).toMatchObject({
      field: 'allowance',
    });
  });

  it('a change is sent only with all its prices, and an addition below 0 or an omission above it is asked back', () => {
    const installation = demoHouse();
    const id = newId();
    const line = (over: object) => ({
      id: newId(),
      area: demoId('dairy', 'area', 'workshop'),
      verb: 'build',
      subject: 'a shelf',
      quantity: 1,
      unit: 'pieces',
      ...over,
    });
    const change = (over: object) => ({
      id,
      job: dairy,
      kind: 'addition',
      title: 'a shelf',
      lines: [line({})],
      ...over,
    });
    expect(
      refused(installation, 'change.add', change({ lines: [line({ quantity: -1, unitPrice: 100 })] })),
    ).toMatchObject({
      code: 'addition-saves',
      field: 'lines',
    });
    expect(refused(installation, 'change.add', change({ lines: [line({ area: newId() })] }))).toMatchObject({
      field: 'lines[0].area',
    });
    giveRaw(installation, 'change.add', change({ lines: [line({ unitPrice: 100 }), line({})] }));
    expect(
      refused(installation, 'change.send', {
        ...{
          id,
          version: 1,
          updateId: newId(),
          messageId: newId(),
          linkId: newId(),
          name: 'H',
          address: 'h@h.example',
        },
        expiresOn: '2027-12-01',
      }),
    ).toMatchObject({ code: 'no-price', title: expect.stringMatching(/“build a shelf” has no price yet/) });
  });
});

describe('what a client is handed', () => {
  /** Every key of it, wherever it stands. */
  const keysOf = (value: unknown): string[] =>
    Array.isArray(value)
      ? value.flatMap(keysOf)
      : typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([key, inner]) => [key, ...keysOf(inner)])
        : [];

  function page(): ClientShared {
    const installation = demoHouse();
    priceAll(installation, 123_456);
    must(installation, 'job.set-money', { job: dairy, markup: 0.2718, pricesShown: 'line' });
    must(installation, 'finding.measure', { id: damage, found: 5.5 });
    const change = newId();
    must(installation, 'change.draft', { id: change, of: 'finding', from: damage });
    sendToClient(installation, dairy, 'change.send', change, 1);
    const statement = newId();
    must(installation, 'statement.make', { id: statement, job: dairy });
    const link = sendToClient(installation, dairy, 'statement.send', statement, 1);
    const open = link.kind === 'link' && openLink(installation, pathOf(installation, link.id).slice(3));
    if (!open) throw new Error('The link does not open.');
    return sharedView(installation, open) as ClientShared;
  }

  it('holds no rate, no cost, no markup, and nothing they could be worked out from', () => {
    const view = page();
    expect(new Set(keysOf([view.changes, view.statement?.content.sums, view.choices]))).toEqual(
      new Set([
        ...['id', 'number', 'title', 'why', 'places', 'lines', 'text', 'amount', 'sum', 'tax', 'taxShown', 'total'],
        ...['before', 'after', 'state', 'answered', 'key', 'rows', 'taxRate', 'unpriced', 'toChoose', 'ways', 'name'],
        ...['changes', 'what', 'by', 'allowed', 'alternatives'],
      ]),
    );
    const all = keysOf(view);
    for (const key of ['unitPrice', 'markup', 'net', 'hours', 'perHour', 'cost', 'material', 'labour'])
      expect(all).not.toContain(key);
    expect(JSON.stringify(view)).not.toMatch(/0\.2718|123456|14800\b/);
  });
});

describe('the door', () => {
  it('lets no lead set a price, a step of payment or a change', () => {
    const installation = demoHouse();
    for (const type of ['scope.price', 'payments.set', 'payment.add', 'spending.add', 'change.draft', 'job.set-money'])
      expect(refused(installation, type, {}, LEAD)).toMatchObject({ status: 403 });
  });
});
