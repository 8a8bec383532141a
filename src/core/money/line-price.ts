import type { Trade } from '../sequence/trades';
import type { Currency } from '../units/money';
import { roundMoney } from '../units/money';

/**
 * How a line of scope is priced: by the piece or measure, as one sum, from its parts (material and hours), or within
 * the price of another line.
 */
export const PRICE_WAYS = {
  unit: 'a price for one',
  sum: 'one sum',
  parts: 'material and hours',
  within: 'within other lines',
} as const;
export type PriceWay = keyof typeof PRICE_WAYS;
export const PRICE_WAY_KEYS = Object.keys(PRICE_WAYS) as PriceWay[];

export interface LinePricing {
  /** Null while nobody has said. */
  way: PriceWay | null;
  /** `unit`: of one; `sum`: of all; `parts`: material of one, beside what calculators buy. In hundredths. */
  unitPrice: number | null;
  /** `parts`: hours for one; for all of it where the line has no quantity. */
  hours: number | null;
}

/** What is known of a line beside its price. */
export interface LineFacts {
  quantity: number | null;
  /** What the kept calculations and the selection of this line cost; null where one of them has no price. */
  bought: number | null;
  trade: Trade | null;
  /** What an hour of its trade costs; null where nobody has said. */
  perHour: number | null;
}

export type MissingPrice = 'price' | 'quantity' | 'material' | 'trade' | 'rate';

/** What a line costs the firm; what is missing leaves its part out. Money in hundredths. */
export interface LinePrice {
  material: number;
  labour: number;
  /** Neither one nor the other: a sub's price, a sum. */
  other: number;
  net: number;
  hours: number;
  missing: MissingPrice[];
}

const NOTHING: LinePrice = { material: 0, labour: 0, other: 0, net: 0, hours: 0, missing: [] };

/** What a line costs, each part rounded to what can be paid. */
export function linePrice(pricing: LinePricing, facts: LineFacts, currency: Pick<Currency, 'step'>): LinePrice {
  switch (pricing.way) {
    case null:
      return { ...NOTHING, missing: ['price'] };
    case 'within':
      return NOTHING;
    case 'sum':
      return pricing.unitPrice === null
        ? { ...NOTHING, missing: ['price'] }
        : other(roundMoney(pricing.unitPrice, currency));
    case 'unit':
      if (pricing.unitPrice === null) return { ...NOTHING, missing: ['price'] };
      if (facts.quantity === null) return { ...NOTHING, missing: ['quantity'] };
      return other(roundMoney(facts.quantity * pricing.unitPrice, currency));
    case 'parts':
      return fromParts(pricing, facts, currency);
  }
}

const other = (net: number): LinePrice => ({ ...NOTHING, other: net, net });

function fromParts({ unitPrice, hours }: LinePricing, facts: LineFacts, currency: Pick<Currency, 'step'>): LinePrice {
  const count = facts.quantity ?? 1;
  const allHours = (hours ?? 0) * count;
  const material = roundMoney((facts.bought ?? 0) + (unitPrice ?? 0) * count, currency);
  const labour = roundMoney(allHours * (facts.perHour ?? 0), currency);
  return {
    material,
    labour,
    other: 0,
    net: material + labour,
    hours: allHours,
    missing: [
      ...(facts.bought === null ? (['material'] as const) : []),
      ...(allHours > 0 && facts.perHour === null ? ([facts.trade === null ? 'trade' : 'rate'] as const) : []),
    ],
  };
}
