import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { subsPasted } from './subs-pasted';
import { TRADES } from './trades';

describe('a list of subs that was pasted', () => {
  it('is read by what stands in its cells, in any order', () => {
    expect(subsPasted('Wiring\tHalyard Wiring\tPetra\t0555 0126\tpetra@halyard.example\t2')).toEqual({
      subs: [
        {
          trade: 'wiring',
          name: 'Halyard Wiring',
          leadName: 'Petra',
          phone: '0555 0126',
          email: 'petra@halyard.example',
          crews: 2,
        },
      ],
      unread: [],
    });
    expect(subsPasted('Brackwater; plumbing; iven@brackwater.example').subs).toMatchObject([
      { trade: 'plumbing', name: 'Brackwater', email: 'iven@brackwater.example', phone: '', crews: 1 },
    ]);
  });

  it('keeps lines apart that name no trade, and never throws', () => {
    expect(subsPasted('Somebody, 0555 1234\n\nPaint, Two Buckets')).toMatchObject({
      subs: [{ trade: 'paint', name: 'Two Buckets' }],
      unread: ['Somebody, 0555 1234'],
    });
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (text) => {
        const { subs, unread } = subsPasted(text);
        expect(subs.length + unread.length).toBeLessThanOrEqual(text.split(/\r?\n/).length);
        for (const sub of subs) expect(TRADES[sub.trade]).toBeDefined();
      }),
    );
  });
});
