import { phaseFacts, type Phase } from '../sequence/phases';
import { type Day } from '../units/day';
import { dayOfSlot, slotOf, type Slot } from '../units/slot';

/**
 * What is expected of one half-day: millimetres of rain, strongest wind in metres a second, lowest temperature in °C.
 */
export interface HalfDayOutlook {
  day: Day;
  half: 0 | 1;
  rain: number;
  wind: number;
  low: number;
}

/** What outdoor work cannot have. */
export type Forbids = 'rain' | 'wind' | 'frost';

/**
 * From where on it is too much. Starting values of the trade: makers' sheets say less or more, and whoever stands on
 * the scaffold decides; in a wind that moves sheets nobody works at a height, whatever a number says.
 */
export const LIMITS = { rain: 2, wind: 11, frost: 3 } as const;

const HEIGHTS: readonly Phase[] = [
  'access',
  'cover',
  'strike',
  'roof-strip',
  'deck',
  'underlay',
  'roof-flashings',
  'covering',
  'gutters',
  'glazing',
  'strip',
  'barrier',
  'cladding',
  'openings',
  'face-trim',
];
/** Goes on in the rain: looking, and what is dug. */
const ANY_RAIN: readonly Phase[] = ['locate', 'access', 'strike', 'clear'];

/** What a phase must not have outdoors; nothing for indoor work. */
export function forbidsOf(phase: Phase): Forbids[] {
  const facts = phaseFacts(phase);
  if (!facts.outdoor || facts.trade === 'nobody') return [];
  return [
    ...(ANY_RAIN.includes(phase) ? [] : ['rain' as const]),
    ...(HEIGHTS.includes(phase) ? ['wind' as const] : []),
    ...(facts.wet ? ['frost' as const] : []),
  ];
}

/** Rain in mm, wind in m/s or cold in °C that keeps work off on a half-day. */
export interface TooMuch {
  of: Forbids;
  amount: number;
  day: Day;
}

const TOO_MUCH: Record<Forbids, { is: (half: HalfDayOutlook) => boolean; amount: (half: HalfDayOutlook) => number }> = {
  rain: { is: (half) => half.rain >= LIMITS.rain, amount: (half) => half.rain },
  wind: { is: (half) => half.wind >= LIMITS.wind, amount: (half) => half.wind },
  frost: { is: (half) => half.low <= LIMITS.frost, amount: (half) => half.low },
};
const round = (value: number): number => Math.round(value * 10) / 10;

/** The slots of the outlook that are forbidden to such work, each with why. */
export function keptOff(
  outlook: readonly HalfDayOutlook[],
  origin: Day,
  forbids: readonly Forbids[],
): Map<Slot, TooMuch> {
  return new Map(
    outlook.flatMap((half) => {
      const kind = forbids.find((each) => TOO_MUCH[each].is(half));
      return kind
        ? [
            [
              slotOf(origin, half.day, half.half),
              { of: kind, amount: round(TOO_MUCH[kind].amount(half)), day: half.day },
            ] as const,
          ]
        : [];
    }),
  );
}

/** Slots with rain that an open roof must not see, nights and days off too. */
export const rainOf = (outlook: readonly HalfDayOutlook[], origin: Day): Map<Slot, TooMuch> =>
  keptOff(outlook, origin, ['rain']);

/**
 * The half-days of outdoor work after the outlook that the usual weather of their months would take, by what forbids
 * it.
 */
export function expectedLost(
  work: readonly { phase: Phase; slots: readonly Slot[] }[],
  origin: Day,
  normals: ReadonlyMap<number, { wet: number; windy: number; frosty: number }>,
  after: Slot,
): { month: number; halfDays: number; lost: number }[] {
  const months = new Map<number, { halfDays: number; lost: number }>();
  for (const { phase, slots } of work) {
    const forbids = forbidsOf(phase);
    if (forbids.length === 0) continue;
    for (const slot of slots) {
      if (slot < after) continue;
      const month = Number(dayOfSlot(origin, slot).slice(5, 7));
      const normal = normals.get(month);
      const chance = normal
        ? 1 -
          (forbids.includes('rain') ? 1 - normal.wet / 30 : 1) *
            (forbids.includes('wind') ? 1 - normal.windy / 30 : 1) *
            (forbids.includes('frost') ? 1 - normal.frosty / 30 : 1)
        : 0;
      const known = months.get(month) ?? { halfDays: 0, lost: 0 };
      months.set(month, { halfDays: known.halfDays + 1, lost: known.lost + chance });
    }
  }
  return [...months]
    .map(([month, { halfDays, lost }]) => ({ month, halfDays, lost: Math.round(lost * 10) / 10 }))
    .sort((a, b) => a.month - b.month);
}
