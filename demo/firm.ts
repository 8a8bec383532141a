import type { Role } from '@/contract/command';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { DemoSupplier } from './scenario';

export const FIRM = { name: 'Harrow & Tern Renovation', town: 'Port Ellery' };

export const PEOPLE: { key: string; name: string; role: Role; email: string; leads?: string[] }[] = [
  { key: 'maren', name: 'Maren', role: 'contractor', email: 'maren@harrowtern.example' },
  { key: 'tobin', name: 'Tobin', role: 'lead', email: 'tobin@harrowtern.example', leads: ['signal', 'tannery'] },
  { key: 'isolde', name: 'Isolde', role: 'office', email: 'isolde@harrowtern.example' },
];

/** Away: first and last day counted from today. */
export const SUBS: {
  name: string;
  trade: Trade;
  also?: Trade[];
  crews: number;
  lead: string;
  away?: [number, number][];
}[] = [
  { name: 'Rope & Rubble', trade: 'tear-out', crews: 2, lead: 'Osk' },
  { name: 'Cinder Lane Carpenters', trade: 'carpentry', crews: 3, lead: 'Wenna' },
  { name: 'Keelstone Masonry', trade: 'structure', crews: 2, lead: 'Bram' },
  { name: 'Brackwater Plumbing', trade: 'plumbing', crews: 2, lead: 'Iven', away: [[9, 10]] },
  { name: 'Pilot Light Gas', trade: 'gas', crews: 2, lead: 'Sunniva' },
  { name: 'Northdraught Air', trade: 'air', crews: 2, lead: 'Corwin', away: [[0, 0]] },
  { name: 'Halyard Wiring', trade: 'wiring', crews: 2, lead: 'Petra' },
  { name: 'Fleece & Wadding', trade: 'insulation', crews: 2, lead: 'Ode' },
  { name: 'Flatsea Board', trade: 'board', crews: 2, lead: 'Joss' },
  { name: 'Limekiln Plaster', trade: 'plaster', also: ['board'], crews: 2, lead: 'Marek' },
  { name: 'Two Buckets Paint', trade: 'paint', crews: 2, lead: 'Linnet', away: [[14, 18]] },
  { name: 'Tidewood Floors', trade: 'flooring', crews: 2, lead: 'Edda' },
  { name: 'Saltbox Cabinets', trade: 'cabinets', crews: 2, lead: 'Rurik' },
  { name: 'Slatepool Stone', trade: 'stone', crews: 2, lead: 'Avis' },
  { name: 'Shardwell Tile', trade: 'tile', crews: 2, lead: 'Noor' },
  { name: 'Mitre & Pin', trade: 'finish', also: ['carpentry'], crews: 2, lead: 'Calder' },
  { name: 'Ridgeback Roofs', trade: 'roofing', crews: 2, lead: 'Tamsin' },
  { name: 'Stillwater Glass', trade: 'glass', crews: 2, lead: 'Yorick' },
  { name: 'Spoilbank Ground Works', trade: 'ground', crews: 2, lead: 'Hob' },
  { name: 'Anchor Yard Metal', trade: 'metal', crews: 2, lead: 'Brida' },
  { name: 'Bright Bucket', trade: 'cleaning', crews: 2, lead: 'Fenna' },
];

/** Licences of subs, with the days from today on which they hold: one runs out while its work goes on. */
export const LICENCES: { trade: Trade; holder: string; number: string; days: number }[] = [
  { trade: 'gas', holder: 'Sunniva', number: 'G 2041', days: 310 },
  { trade: 'wiring', holder: 'Petra', number: 'E 778', days: 9 },
];

/** Who things are ordered from; those not named here become known with their first order. */
export const SUPPLIERS: DemoSupplier[] = [
  {
    name: 'Lumen Curve Works',
    email: 'orders@lumencurve.example',
    desk: true,
    closed: { from: 44, to: 57, why: 'yearly closure of the kiln' },
  },
  { name: 'Saltbox Cabinets', email: 'office@saltbox.example', closed: { from: 60, to: 66, why: 'stock-taking' } },
  {
    name: 'Quayside Fittings',
    email: 'desk@quaysidefittings.example',
    desk: true,
    prices: [
      { code: 'H-128', name: 'Brushed bar handle, 128 mm', unit: 'piece', unitPrice: 420, lead: [5, 8] },
      { code: 'H-192', name: 'Brushed bar handle, 192 mm', unit: 'piece', unitPrice: 560, lead: [5, 8] },
      { code: 'K-40', name: 'Turned birch knob, 40 mm', unit: 'piece', unitPrice: 310, lead: [10, 14] },
    ],
  },
];

/** Who inspects; weekdays from 0 Sunday. */
export const OFFICES: {
  key: string;
  name: string;
  phases: Phase[];
  weekdays: number[];
  noticeDays: number;
  visitsADay: number;
}[] = [
  {
    key: 'building',
    name: 'Port Ellery building office',
    phases: ['rough-inspection', 'insulation-inspection', 'floor-inspection'],
    weekdays: [2, 4],
    noticeDays: 2,
    visitsADay: 4,
  },
  {
    key: 'water',
    name: 'Harbour water board',
    phases: ['ground-inspection'],
    weekdays: [1, 2, 3, 4, 5],
    noticeDays: 1,
    visitsADay: 2,
  },
];

export const PLANT: {
  key: string;
  name: string;
  units: number;
  phases: Phase[];
  down?: { from: number; to: number; units: number; reason: string };
}[] = [
  {
    key: 'digger',
    name: 'Small digger',
    units: 1,
    phases: ['excavate', 'backfill'],
    down: { from: 6, to: 7, units: 1, reason: 'a track is being mended' },
  },
  { key: 'saw', name: 'Slab saw', units: 1, phases: ['cut'] },
];

/**
 * Rain in mm, wind in m/s and the low in °C of ten days from today, morning and afternoon: a wet spell from the third
 * day.
 */
export const OUTLOOK: readonly (readonly [number, number, number])[] = [
  [0, 5, 4],
  [0, 6, 7],
  [0, 6, 4],
  [0.4, 7, 7],
  [0, 7, 5],
  [1, 8, 8],
  [4.2, 10, 6],
  [9, 13, 7],
  [7.4, 12, 6],
  [3, 9, 7],
  [2.6, 8, 4],
  [0.8, 6, 7],
  [0, 5, 3],
  [0, 5, 8],
  [0, 4, 2],
  [0, 6, 9],
  [0, 5, 4],
  [0, 6, 10],
  [0.6, 7, 6],
  [0, 7, 10],
];
