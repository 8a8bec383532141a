import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CURRENCY_CODES, currencyOf, formatMoney, NO_CURRENCY, roundMoney } from '../units/money';
import { sum } from '../units/rounding';
import { damageOver, heldAgainst } from './held';
import { draftOfAllowance, draftOfAssumption, draftOfDamage } from './change-draft';
import { estimateOf, rowsByArea, type EstimateEntry } from './estimate';
import { costsSoFar } from './glance';
import { linePrice } from './line-price';
import { paymentAmounts, type PaymentShare } from './payments';
import { clientPrice, priceOf, wholePrice, type PriceTerms } from './price';
import { shareOut } from './shares';

const euro = currencyOf('EUR');
const yen = currencyOf('JPY');
const terms = (over: Partial<PriceTerms> = {}): PriceTerms => ({
  markup: 0.15,
  taxRate: 0.2,
  taxShown: 'apart',
  currency: euro,
  ...over,
});
const currency = fc.constantFrom(euro, yen, NO_CURRENCY);
const anyTerms = fc.record({
  markup: fc.double({ min: 0, max: 1, noNaN: true }),
  taxRate: fc.double({ min: 0, max: 0.3, noNaN: true }),
  taxShown: fc.constantFrom('apart' as const, 'within' as const),
  currency,
});
/** What can be paid in a currency. */
const nets = (of: { step: number }) =>
  fc.array(
    fc.integer({ min: -5_000_000, max: 50_000_000 }).map((net) => Math.round(net / of.step) * of.step),
    {
      minLength: 1,
      maxLength: 40,
    },
  );

describe('money', () => {
  it('is written with its sign, thousands apart, and without hundredths where a currency has none', () => {
    expect(formatMoney(124_050, euro)).toBe('€1\u00a0240.50');
    expect(formatMoney(-124_000, yen)).toBe('−¥1\u00a0240');
    expect(formatMoney(1250, yen)).toBe('¥12.50');
    expect(formatMoney(124_050, currencyOf('CHF'))).toBe('CHF\u00a01\u00a0240.50');
    expect(formatMoney(5, NO_CURRENCY)).toBe('0.05');
    expect(currencyOf('KWD')).toBe(NO_CURRENCY);
  });

  it('is offered only in currencies that this machine knows', () => {
    const known = new Set(Intl.supportedValuesOf('currency'));
    expect(CURRENCY_CODES.filter((code) => !known.has(code) && code !== 'SLE' && code !== 'VES')).toEqual([]);
    expect(new Set(CURRENCY_CODES).size).toBe(CURRENCY_CODES.length);
  });

  it('rounds half up to what can be paid', () => {
    expect(roundMoney(1250.5, euro)).toBe(1251);
    expect(roundMoney(1250, yen)).toBe(1300);
    expect(roundMoney(-1250, yen)).toBe(-1200);
  });
});

describe('shares', () => {
  it('make up the whole, each within one step of its own', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1e8, noNaN: true }), { minLength: 1, maxLength: 30 }),
        currency,
        (exact, of) => {
          const total = roundMoney(sum(exact), of);
          const parts = shareOut(total, exact, of.step);
          expect(sum(parts)).toBe(total);
          parts.forEach((part, at) => expect(Math.abs(part - (exact[at] ?? 0))).toBeLessThanOrEqual(of.step + 1e-3));
        },
      ),
    ));

  it('give what is left to those that lost most', () => {
    expect(shareOut(100, [33.4, 33.3, 33.3], 1)).toEqual([34, 33, 33]);
    expect(shareOut(1000, [333.3, 333.3, 333.4], 100)).toEqual([300, 300, 400]);
    expect(shareOut(-10, [-3.4, -3.3, -3.3], 1)).toEqual([-4, -3, -3]);
    expect(shareOut(7, [], 1)).toEqual([]);
  });
});

describe('a price', () => {
  it('rounds markup and tax once each, on the whole', () => {
    // 372.00 + 312.00 = 684.00; 15 % = 102.60; 20 % of 786.60 = 157.32
    expect(priceOf([37_200, 31_200], terms())).toEqual({ net: 68_400, markup: 10_260, tax: 15_732, total: 94_392 });
    expect(wholePrice(-22_400, terms())).toBe(-30_912);
  });

  it('is read by clients as parts that make up their sum to the last hundredth, both ways of showing tax', () =>
    fc.assert(
      fc.property(anyTerms, fc.integer(), (of, seed) => {
        const [list] = fc.sample(nets(of.currency), { numRuns: 1, seed });
        const whole = priceOf(list ?? [], of);
        const client = clientPrice(list ?? [], of);
        expect(sum(client.parts)).toBe(client.sum);
        expect(client.sum + (of.taxShown === 'apart' ? client.tax : 0)).toBe(client.total);
        expect(client.total).toBe(whole.total);
        for (const figure of [...client.parts, client.sum, client.tax, client.total])
          expect(Math.abs(figure % of.currency.step)).toBe(0);
      }),
    ));

  it('holds neither net nor markup in what a client reads', () =>
    expect(Object.keys(clientPrice([100], terms())).sort()).toEqual(['parts', 'sum', 'tax', 'total']));
});

describe('a line', () => {
  const facts = { quantity: 10, bought: 0, trade: 'paint' as const, perHour: 4000 };
  it.each([
    [{ way: null, unitPrice: null, hours: null }, facts, { net: 0, missing: ['price'] }],
    [{ way: 'unit' as const, unitPrice: 250, hours: null }, facts, { net: 2500, missing: [] }],
    [
      { way: 'unit' as const, unitPrice: 250, hours: null },
      { ...facts, quantity: null },
      { net: 0, missing: ['quantity'] },
    ],
    [{ way: 'sum' as const, unitPrice: 9900, hours: null }, facts, { net: 9900, missing: [] }],
    [{ way: 'within' as const, unitPrice: null, hours: null }, facts, { net: 0, missing: [] }],
    // ten times 1.50 of material, 30.00 that a calculator buys, ten times half an hour at 40.00
    [
      { way: 'parts' as const, unitPrice: 150, hours: 0.5 },
      { ...facts, bought: 3000 },
      { net: 24_500, hours: 5, missing: [] },
    ],
    [
      { way: 'parts' as const, unitPrice: null, hours: 2 },
      { ...facts, quantity: null },
      { net: 8000, hours: 2 },
    ],
    [
      { way: 'parts' as const, unitPrice: null, hours: 2 },
      { ...facts, perHour: null },
      { net: 0, missing: ['rate'] },
    ],
    [
      { way: 'parts' as const, unitPrice: 1, hours: 2 },
      { ...facts, perHour: null, trade: null },
      { missing: ['trade'] },
    ],
    [
      { way: 'parts' as const, unitPrice: 150, hours: null },
      { ...facts, bought: null },
      { net: 1500, missing: ['material'] },
    ],
  ])('%j of %j comes to %j', (pricing, known, expected) =>
    expect(linePrice(pricing, known, euro)).toMatchObject(expected),
  );
});

describe('an estimate', () => {
  const entry = (key: string, area: string | null, net: number, over: Partial<EstimateEntry> = {}): EstimateEntry => ({
    ...{ key, area, net, kind: 'line', conditional: false, text: key, material: 0, labour: 0, other: net },
    ...{ hours: 0, missing: [] },
    ...over,
  });
  const areas = [
    { id: 'a', name: 'Kitchen' },
    { id: 'b', name: 'Bath' },
  ];
  const words = { wholeJob: 'Job', allowances: 'Allowances' };

  it('adds up what is in the price, by rooms and allowances, and leaves out what is only paid if it is found', () => {
    const estimate = estimateOf(
      [
        entry('l1', 'a', 10_000),
        entry('l2', 'b', 5000),
        entry('l3', 'b', 7777, { conditional: true, missing: ['rate'] }),
        entry('f1', 'a', 2000, { kind: 'allowance' }),
      ],
      terms({ taxShown: 'within' }),
    );
    expect(estimate.price).toEqual({ net: 17_000, markup: 2550, tax: 3910, total: 23_460 });
    expect(rowsByArea(estimate, areas, words)).toEqual([
      { key: 'sum a', text: 'Kitchen', amount: 13_800 },
      { key: 'sum b', text: 'Bath', amount: 6900 },
      { key: 'sum allowances', text: 'Allowances', amount: 2760 },
    ]);
    expect(estimate.missing).toEqual([{ key: 'l3', what: ['rate'] }]);
  });

  it('has rows that make up the sum, whatever costs what', () =>
    fc.assert(
      fc.property(
        anyTerms,
        fc.array(fc.tuple(fc.constantFrom('a', 'b', null), fc.nat(9_000_000), fc.boolean(), fc.boolean()), {
          maxLength: 30,
        }),
        (of, list) => {
          const estimate = estimateOf(
            list.map(([area, net, conditional, allowance], at) =>
              entry(String(at), area, roundMoney(net, of.currency), {
                conditional,
                kind: allowance ? 'allowance' : 'line',
              }),
            ),
            of,
          );
          expect(sum(rowsByArea(estimate, areas, words).map(({ amount }) => amount))).toBe(estimate.client.sum);
        },
      ),
    ));
});

describe('payment steps', () => {
  const percent = (part: number) => ({ share: { kind: 'percent' as const, percent: part } });
  const of = (amount: number) => ({ share: { kind: 'sum' as const, amount } });
  const rest = { share: { kind: 'rest' as const } };

  it('make up the price, whatever their parts', () => {
    expect(paymentAmounts([percent(33.33), percent(33.33), percent(33.34)], 10_001, euro)).toEqual({
      ok: true,
      value: [3333, 3333, 3335],
    });
    expect(paymentAmounts([of(5000), percent(25), rest], 30_001, euro)).toMatchObject({ value: [5000, 7500, 17_501] });
    expect(paymentAmounts([percent(30), percent(70)], 100_000, yen)).toMatchObject({ value: [30_000, 70_000] });
  });

  it.each<[{ share: PaymentShare }[], number | null, RegExp, string]>([
    [[percent(60), percent(50)], 100, /110 % together, 10 % too much/, 'steps[1].share'],
    [[percent(60), percent(30)], null, /90 % together; 10 % are missing/, 'steps[1].share'],
    [[rest, rest], 100, /Only one step can be the rest/, 'steps[1].share'],
    [[of(500), rest], 400, /Nothing is left for the rest/, 'steps[1].share'],
    [[of(500), of(400)], 1000, /do not agree/, 'steps[1].share'],
  ])('%j of %j do not add up: %s', (steps, total, message, field) => {
    const amounts = paymentAmounts(steps, total, euro);
    expect(amounts).toMatchObject({ ok: false, problem: { field } });
    if (!amounts.ok) expect(amounts.problem.message).toMatch(message);
  });

  it('always add up to the whole', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9000 }), { minLength: 1, maxLength: 12 }),
        fc.nat(100_000_000),
        currency,
        fc.boolean(),
        (weights, price, money, withRest) => {
          const total = roundMoney(price, money);
          const all = sum(weights) + (withRest ? 100 : 0);
          const steps = [...weights.map((weight) => percent((weight / all) * 100)), ...(withRest ? [rest] : [])];
          const amounts = paymentAmounts(steps, total, money);
          expect(amounts.ok && sum(amounts.value)).toBe(total);
        },
      ),
    ));
});

describe('what was found or chosen otherwise', () => {
  const allowance = { quantity: 4, unitPrice: 9500 };
  it('is held against the allowance, less what changes hold of it', () => {
    const chosen = { open: false, unitPrice: 12_000, quantity: 4 };
    expect(heldAgainst(allowance, [chosen], [], euro)).toEqual({
      allowed: 38_000,
      chosen: 48_000,
      changed: 0,
      open: 10_000,
      unsure: false,
    });
    expect(heldAgainst(allowance, [chosen], [{ quantity: 1, unitPrice: 10_000 }], euro).open).toBe(0);
    expect(heldAgainst(allowance, [{ ...chosen, open: true }], [], euro)).toMatchObject({ chosen: null, open: 0 });
    expect(heldAgainst(allowance, [chosen, { ...chosen, unitPrice: null }], [], euro).unsure).toBe(true);
  });

  it('becomes a change with its price and days; what is saved is one under 0', () => {
    expect(
      draftOfAssumption({
        ...{ text: 'the sheathing is sound', found: 'black and soft', fallback: 'replace the sheathing 46 m²' },
        ...{ trade: 'carpentry' as const, halfDays: 5, price: 184_000, phase: 'strip' as const },
      }),
    ).toMatchObject({
      kind: 'addition',
      title: 'Replace the sheathing 46 m²',
      line: { verb: 'replace', subject: 'the sheathing', quantity: 1, unitPrice: 184_000, halfDays: 5, after: 'strip' },
    });
    const damage = { subject: 'rot', unit: 'm', inPrice: 3, unitPrice: 14_800 };
    const draft = (found: number, changed: number) =>
      draftOfDamage({ ...damage, found, over: damageOver({ found, allowed: 3, quantity: 6.4 }, changed) });
    expect(draft(5.5, 0)).toMatchObject({ kind: 'addition', line: { quantity: 2.5 } });
    expect(draft(1, 0)).toMatchObject({ kind: 'omission', line: { quantity: -2 } });
    expect([draft(3, 0), draft(5.5, 2.5)]).toEqual([undefined, undefined]);
    expect(draft(5, 2.5)).toMatchObject({ kind: 'omission', line: { quantity: -0.5 } });
    expect(damageOver({ found: 7, allowed: null, quantity: 6.4 }, 0)).toBe(0.6);
    expect(draftOfAllowance({ subject: 'lights', over: -4000, words: '' })).toMatchObject({
      kind: 'omission',
      line: { quantity: -1, unitPrice: 4000, priceOnly: true },
    });
  });
});

describe('what a job costs', () => {
  const at = (done: number, spent: { material: number; work: number; other: number }, ordered = 0) =>
    costsSoFar({ planned: { material: 1000, work: 2000 }, spent, ordered, done });

  it('expects the plan, and more once more was spent', () => {
    expect(at(0.5, { material: 0, work: 0, other: 0 })).toMatchObject({
      material: { toCome: 1000, expected: 1000 },
      work: { toCome: 2000, expected: 2000 },
    });
    expect(at(0.5, { material: 700, work: 1500, other: 50 }, 600)).toMatchObject({
      material: { ordered: 600, toCome: 0, expected: 1300 },
      work: { expected: 2500, toCome: 1000 },
      other: { expected: 50 },
    });
  });

  it('shows a saving once the work is done, and never a cost that was spent as still to come', () => {
    expect(at(1, { material: 900, work: 1600, other: 0 }).work).toMatchObject({ expected: 1600, toCome: 0 });
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.nat(9000),
        fc.nat(9000),
        fc.nat(3000),
        (done, a, b, ordered) => {
          for (const cost of Object.values(at(done, { material: a, work: b, other: 0 }, ordered)))
            expect(cost.expected).toBe(cost.spent + cost.ordered + cost.toCome);
        },
      ),
    );
  });
});
