import type { Input, Payload } from '@/contract/commands';
import type { Trade } from '@/core/sequence/trades';

/** The money of the demo firm: all sums are in hundredths, all are invented. */

export const MONEY: Input<'firm.set-money'> = {
  ...{ currency: 'EUR', markup: 0.15, taxRate: 0.2, taxShown: 'within' },
  tripCost: 6500,
};

/** What an hour of a trade costs the firm. */
export const HOURS: readonly (readonly [Trade, number])[] = [
  ['tear-out', 3400],
  ['carpentry', 4600],
  ['structure', 5200],
  ['plumbing', 5600],
  ['wiring', 5400],
  ['board', 4200],
  ['plaster', 4400],
  ['paint', 3800],
  ['cabinets', 4800],
  ['tile', 4600],
  ['finish', 4700],
  ['roofing', 4900],
  ['glass', 5000],
  ['ground', 4500],
];

type Pricing = Omit<Input<'scope.price'>['lines'][number], 'id' | 'version'>;
type Step = Omit<Payload<'payments.set'>['steps'][number], 'id'>;
type Spent = Omit<Input<'spending.add'>, 'id' | 'job' | 'area' | 'day' | 'selection'> & { area?: string; day: number };

export interface DemoMoney {
  pricesShown: 'line' | 'area' | 'total';
  /** What a calendar day after the promise costs, and a day on which the site runs. */
  lateCost?: number;
  siteCost: number;
  /** By the number of the line of scope, from 0. */
  lines: Record<number, Pricing>;
  payments: (Omit<Step, 'due'> & {
    due: Omit<Step['due'], 'area'> & { area?: string };
  })[];
  received: { day: number; amount: number; note: string }[];
  spending: Spent[];
  orders?: DemoOrder[];
}

/** A purchase order with what came of it and was billed; days are counted from the first of the demo. */
export interface DemoOrder {
  day: number;
  supplier: string;
  wanted: number;
  place: string;
  contact: string;
  carriage: number;
  lines: (Omit<Input<'purchase-order.add'>['lines'][number], 'id' | 'calculation'> & {
    /** The number of the kept result that it is of. */
    calculation?: number;
    came: number;
  })[];
  cameOn: number;
  bill: { number: string; day: number; lines: { quantity: number; amount: number }[]; other: number };
}

const percent = (
  text: string,
  part: number,
  due: DemoMoney['payments'][number]['due'],
): DemoMoney['payments'][number] => ({
  text,
  share: { kind: 'percent', percent: part },
  due,
});

export const JOB_MONEY: Record<string, DemoMoney> = {
  signal: {
    pricesShown: 'area',
    siteCost: 21_000,
    lines: {
      0: { way: 'sum', unitPrice: 612_000 },
      1: { way: 'parts', unitPrice: 64_000, hours: 3.5 },
      2: { way: 'parts', hours: 6 },
      3: { way: 'unit', unitPrice: 8200 },
      5: { way: 'within' },
      7: { way: 'parts', unitPrice: 3150, hours: 0.32 },
      8: { way: 'unit', unitPrice: 74_000 },
      9: { way: 'unit', unitPrice: 9600 },
    },
    payments: [
      percent('Deposit', 20, { kind: 'agreed' }),
      percent('At the start', 25, { kind: 'begun' }),
      percent('Walls closed', 30, { kind: 'step', area: 'kitchen', phase: 'board' }),
      { text: 'At the end', share: { kind: 'rest' }, due: { kind: 'finished' } },
    ],
    received: [],
    spending: [
      { day: -9, kind: 'work', text: 'Props and beam, first bill of the masons', amount: 214_000, area: 'kitchen' },
      { day: -5, kind: 'other', text: 'Scaffold, first month', amount: 138_000, area: 'sea' },
      { day: -2, kind: 'material', text: 'Battens and membrane for the sea face', amount: 96_500, area: 'sea' },
    ],
  },
  tannery: {
    pricesShown: 'line',
    lateCost: 15_000,
    siteCost: 9000,
    lines: {
      0: { way: 'parts', unitPrice: 2400, hours: 0.55 },
      1: { way: 'parts', unitPrice: 950, hours: 0.9 },
      2: { way: 'within' },
      3: { way: 'sum', unitPrice: 72_000 },
    },
    payments: [
      percent('Deposit', 30, { kind: 'agreed' }),
      percent('Boards up', 40, { kind: 'step', area: 'shop', phase: 'board' }),
      { text: 'At the end', share: { kind: 'rest' }, due: { kind: 'finished' } },
    ],
    received: [{ day: -26, amount: 250_000, note: 'deposit, by transfer' }],
    spending: [
      { day: -14, kind: 'material', text: 'Boards and insulation for the shop', amount: 228_000, area: 'shop' },
      { day: -6, kind: 'work', text: 'Bill of the board crew', amount: 196_000, area: 'shop' },
    ],
    orders: [
      {
        day: -8,
        supplier: 'Shardwell Tile',
        wanted: -1,
        place: 'stair',
        contact: 'Tobin, 555 0140',
        carriage: 2800,
        lines: [
          {
            calculation: 1,
            purchase: 0,
            code: 'WG-12',
            text: 'White gloss, 100 × 200',
            quantity: 115,
            unit: 'tiles',
            perPack: 50,
            unitPrice: 4250,
            pricedBy: 'pack',
            instead: 'White satin, 100 × 200',
            came: 100,
          },
          {
            code: 'TA-25',
            text: 'Tile adhesive, bags of 25 kg',
            quantity: 2,
            unit: 'bags',
            unitPrice: 1780,
            came: 2,
          },
        ],
        cameOn: -1,
        bill: {
          number: 'S-2207',
          day: -1,
          lines: [
            { quantity: 150, amount: 12_750 },
            { quantity: 2, amount: 3560 },
          ],
          other: 2800,
        },
      },
    ],
  },
};
