import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currencyOf } from '../units/money';
import { sayMismatch } from '../words/mismatch';
import { billedByLine, depositLeft, paidBy, stillToPay, type Bill } from './bills';
import { mismatchesOf, stillToBill, stillToCome, toBeBilled, type Matched } from './match';
import { lineSum, orderedOf, packsOf, sumOf, type OrderLine } from './order-line';

const euro = currencyOf('EUR');
const line = (over: Partial<OrderLine> = {}): OrderLine => ({
  quantity: 115,
  perPack: null,
  unitPrice: 85,
  pricedBy: 'one',
  ...over,
});

describe('a line of an order', () => {
  it('is whole packs where it comes in packs, at the price of one or of a pack', () => {
    expect([packsOf(line()), orderedOf(line()), lineSum(line(), euro)]).toEqual([null, 115, 9775]);
    const packed = line({ perPack: 50 });
    expect([packsOf(packed), orderedOf(packed), lineSum(packed, euro)]).toEqual([3, 150, 12_750]);
    expect(lineSum(line({ perPack: 50, unitPrice: 4250, pricedBy: 'pack' }), euro)).toBe(12_750);
    expect(lineSum(line({ unitPrice: null }), euro)).toBeNull();
    // 0.1 three times is no fourth pack.
    expect(packsOf({ quantity: 0.1 + 0.2, perPack: 0.1 })).toBe(3);
  });

  it('covers what is needed with less than a pack over, and packs add up to what is ordered', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500_000 }), fc.integer({ min: 1, max: 20_000 }), (needed, size) => {
        const terms = { quantity: needed / 100, perPack: size / 100 };
        const ordered = orderedOf(terms);
        expect(ordered).toBeGreaterThanOrEqual(terms.quantity - 1e-6);
        expect(ordered - terms.quantity).toBeLessThan(terms.perPack);
        expect(ordered).toBeCloseTo((packsOf(terms) ?? 0) * terms.perPack, 4);
      }),
    );
  });
});

const matched = (over: Partial<Matched> = {}): Matched => ({
  planned: 115,
  ordered: 150,
  perPack: 50,
  came: 150,
  wentBack: 0,
  billed: 150,
  billedFor: 12_750,
  orderedFor: 12_750,
  isVoid: false,
  isOpen: true,
  ...over,
});
const found = (over: Partial<Matched>): string[] =>
  mismatchesOf(matched(over), euro).map((mismatch) => sayMismatch(mismatch, 'tiles', euro));

describe('what was ordered, came, went back and was billed', () => {
  it('agrees where it does, also with the rest of a pack over and a cent of rounding', () => {
    expect(found({})).toEqual([]);
    expect(found({ billedFor: 12_752 })).toEqual([]);
    expect(found({ came: 100, billed: 100, billedFor: 8500, orderedFor: 8500, isOpen: false })).toEqual([]);
    expect(found({ came: 0, billed: 0, billedFor: null, orderedFor: null })).toEqual([]);
  });

  it.each([
    [{ came: 100 }, '50 tiles billed but not delivered'],
    [{ came: 160 }, '10 tiles more came than ordered'],
    [{ wentBack: 12 }, '12 tiles sent back, no credit yet'],
    [{ planned: 180 }, '30 tiles short of what is planned now'],
    [{ planned: 90 }, '60 tiles more than is planned now'],
    [{ perPack: null, planned: 149 }, '1 tile more than is planned now'],
    [{ billedFor: 13_500 }, 'billed at €135.00, ordered at €127.50'],
    [{ isVoid: true }, 'the supplier cannot deliver it: choose again, and order that'],
  ] satisfies [Partial<Matched>, string][])('%j says: %s', (over, words) => {
    expect(found(over)).toEqual([words]);
  });

  it('is quiet once all that came is billed and all that went back is credited, whatever the quantities', () => {
    const count = fc.integer({ min: 0, max: 1000 });
    fc.assert(
      fc.property(count, count, fc.boolean(), (ordered, back, isOpen) => {
        const wentBack = Math.min(ordered, back);
        const all = matched({ planned: ordered, ordered, perPack: null, came: ordered, wentBack, isOpen });
        const settled = { ...all, billed: ordered - wentBack };
        expect(mismatchesOf(settled, euro)).toEqual([]);
        expect([stillToCome(settled), toBeBilled(settled), stillToBill(settled)]).toEqual([0, 0, 0]);
      }),
    );
  });

  it('leaves to be billed what is here or to come and was not, once', () => {
    const count = fc.integer({ min: 0, max: 100 });
    fc.assert(
      fc.property(count, count, count, (ordered, came, billed) => {
        const terms = matched({ ordered, came, billed });
        expect(stillToBill(terms)).toBe(Math.max(0, Math.max(ordered, came) - billed));
        expect(stillToBill({ ...terms, isOpen: false })).toBe(Math.max(0, came - billed));
      }),
    );
  });
});

const bill = (over: Partial<Bill> = {}): Bill => ({ kind: 'bill', lines: [], other: 0, lessDeposit: 0, ...over });

describe('bills', () => {
  it('pay their lines and what is beside them, less the deposit; a credit gives back', () => {
    const lines = [{ line: 'a', quantity: 150, amount: 12_750 }];
    expect(paidBy(bill({ lines, other: 2800, lessDeposit: 5000 }))).toBe(10_550);
    expect(paidBy(bill({ kind: 'deposit', other: 5000 }))).toBe(5000);
    expect(paidBy(bill({ kind: 'credit', lines, other: 100 }))).toBe(-12_850);
    expect(
      billedByLine([bill({ lines }), bill({ kind: 'credit', lines: [{ line: 'a', quantity: 10, amount: 850 }] })]),
    ).toEqual(new Map([['a', { quantity: 140, amount: 11_900 }]]));
  });

  it('come to what the order came to, in however many parts it is billed and paid beforehand', () => {
    const part = fc.integer({ min: 0, max: 5000 });
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), part, part, (rests, deposit, carriage) => {
        const paid = deposit > 0 ? [bill({ kind: 'deposit', other: deposit })] : [];
        const total = rests.reduce((sum, rest) => sum + rest, 0) + carriage;
        const before = stillToPay(rests, { carriage, bills: paid });
        expect(before).toBe(Math.max(0, total - deposit));
        // The first bill brings the carriage and takes the deposit off, the others their line alone.
        const bills = rests.reduce<Bill[]>(
          (list, rest, at) => [
            ...list,
            bill({
              lines: [{ line: String(at), quantity: 1, amount: rest }],
              ...(at === 0 ? { other: carriage, lessDeposit: depositLeft(paid) } : {}),
            }),
          ],
          paid,
        );
        expect(bills.reduce((sum, entry) => sum + paidBy(entry), 0)).toBe(total);
        expect(stillToPay([], { carriage, bills })).toBe(0);
        expect(depositLeft(bills)).toBe(0);
      }),
    );
  });

  it('say the same of one line as of two', () => {
    expect(sumOf(line(), 100, euro)).toBe(8500);
    expect(sumOf(line({ perPack: 50, unitPrice: 4250, pricedBy: 'pack' }), 100, euro)).toBe(8500);
  });
});
