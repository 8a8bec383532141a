import { describe, expect, it } from 'vitest';
import { PHASE_KEYS, phaseFacts } from '../sequence/phases';
import { expectedLost, forbidsOf, keptOff, LIMITS, rainOf, type HalfDayOutlook } from './weather';

const half = (over: Partial<HalfDayOutlook>): HalfDayOutlook => ({
  day: '2027-03-10',
  half: 0,
  rain: 0,
  wind: 5,
  low: 9,
  ...over,
});

describe('what the weather forbids', () => {
  it('is nothing indoors and rain for most outdoor work; heights mind wind and wet work frost', () => {
    for (const phase of PHASE_KEYS.filter((each) => !phaseFacts(each).outdoor)) expect(forbidsOf(phase)).toEqual([]);
    expect([
      forbidsOf('cladding'),
      forbidsOf('face-paint'),
      forbidsOf('excavate'),
      forbidsOf('access'),
      forbidsOf('cure'),
    ]).toEqual([['rain', 'wind'], ['rain', 'frost'], ['rain'], ['wind'], []]);
  });

  it('begins at the limit and is said with its figure and day', () => {
    const outlook = [
      half({ rain: LIMITS.rain - 0.1 }),
      half({ half: 1, rain: LIMITS.rain }),
      half({ day: '2027-03-11', wind: LIMITS.wind }),
      half({ day: '2027-03-12', low: LIMITS.frost }),
    ];
    expect([...keptOff(outlook, '2027-03-08', ['rain'])]).toEqual([[5, { of: 'rain', amount: 2, day: '2027-03-10' }]]);
    expect([...keptOff(outlook, '2027-03-08', ['rain', 'wind', 'frost']).keys()]).toEqual([5, 6, 8]);
    expect([...rainOf(outlook, '2027-03-08').keys()]).toEqual([5]);
  });

  it('takes its usual share of outdoor half-days after the outlook, by month', () => {
    const work = [
      { phase: 'cladding' as const, slots: [40, 41, 60] },
      { phase: 'tape' as const, slots: [42] },
      { phase: 'excavate' as const, slots: [2] },
    ];
    const normals = new Map([
      [3, { wet: 15, windy: 0, frosty: 0 }],
      [4, { wet: 6, windy: 6, frosty: 0 }],
    ]);
    expect(expectedLost(work, '2027-03-08', normals, 20)).toEqual([
      { month: 3, halfDays: 2, lost: 1 },
      { month: 4, halfDays: 1, lost: 0.4 },
    ]);
  });
});
