import type { DemoJob } from '../scenario';

/** Burst-pipe rebuild of a narrow terrace, shop below, flat above, empty. */
export const tanneryRow: DemoJob = {
  key: 'tannery', name: 'Tannery Row 9', address: '9 Tannery Row', client: 'Quayside Lettings', clientEmail: 'lettings@quayside.example',
  units: 'metric', state: 'active', startsIn: -55, promisedIn: 36, livedIn: false,
  levels: [
    { key: 'shop', name: 'Shop', height: 0 },
    { key: 'flat', name: 'Flat', height: 1 },
  ],
  areas: [
    { key: 'shop', name: 'Shop', kind: 'room', level: 'shop', works: ['rebuild'], size: 1.6, stood: ['board', 'tape', 'first-coats=0.4'] },
    { key: 'store', name: 'Shop store', kind: 'room', level: 'shop', works: ['rebuild'], size: 0.7, stood: ['board=0.5', 'board', 'tape=0.5'] },
    { key: 'wc', name: 'Shop toilet', kind: 'wet', level: 'shop', works: ['bathroom'], size: 0.5, provides: ['toilet'], stood: ['insulation', 'board', 'tape=0.3'] },
    { key: 'stair', name: 'Stair', kind: 'room', level: 'flat', works: ['rebuild'], size: 0.6, passage: true, stood: ['board', 'tape', 'tape'] },
    { key: 'living', name: 'Living room', kind: 'room', level: 'flat', works: ['rebuild', 'plaster'], size: 1.2, stood: ['insulation', 'plaster=0.5', 'plaster'] },
    { key: 'kitchen', name: 'Kitchen', kind: 'room', level: 'flat', works: ['kitchen'], stood: ['board', 'tape=0.8', 'first-coats=0.2'] },
    { key: 'bed', name: 'Bedroom', kind: 'room', level: 'flat', works: ['rebuild'], stood: ['board', 'tape', 'first-coats'] },
    { key: 'bath', name: 'Bathroom', kind: 'wet', level: 'flat', works: ['bathroom'], size: 0.8, provides: ['toilet'], stood: ['pre-hang', 'insulation', 'board'] },
    { key: 'row', name: 'Street face', kind: 'face', works: ['repaint'], size: 0.8, shelters: [], stood: ['', '', 'access'] },
  ],
  beside: [['kitchen', 'living'], ['shop', 'store'], ['bath', 'bed']],
  holds: [
    { area: 'row', phase: 'face-paint', kind: 'authority', label: 'street permit', text: 'the scaffold on the pavement needs the harbour office’s permit', askedIn: -5, expectedIn: 8 },
    { area: 'bath', phase: 'tiling', kind: 'client', label: 'client', text: 'tile to the ceiling or to 2 100 mm in the bathroom', expectedIn: 6 },
  ],
  others: [{ area: 'shop', phase: 'wiring-finish', who: 'the tenant’s own electrician', expectedIn: 20 }],
  logistics: [{ kind: 'scaffold', label: 'Scaffold on the pavement', area: 'row', phase: 'face-paint', leadDays: 7 }],
  selections: [
    { area: 'kitchen', phase: 'cabinets', category: 'Kitchen cabinets', choice: 'White laminate, plain', code: 'KL-3', colour: 'white', quantity: 5, unit: 'cabinets', supplier: 'Saltbox Cabinets', lead: [35, 42], state: 'in making', expectedIn: 4, slipped: { days: 9, why: 'the maker’s press broke down' } },
    { area: 'kitchen', phase: 'worktops', category: 'Worktop', choice: 'Beech, 40 mm', code: 'WB-40', quantity: 3.4, unit: 'm', supplier: 'Slatepool Stone', lead: [8, 12], acclimatiseDays: 2, state: 'chosen' },
    { area: 'bath', phase: 'tiling', category: 'Bathroom tiles', choice: 'White gloss, 100 x 200 mm', code: 'T-W12', colour: 'white', quantity: 22, unit: 'm²', unitPrice: 3400, supplier: 'Shardwell Tile', lead: [5, 7], state: 'confirmed', expectedIn: 5 },
    { area: 'shop', phase: 'flooring', category: 'Shop floor', choice: 'Sheet rubber, slate', code: 'RB-9', quantity: 48, unit: 'm²', supplier: 'Tidewood Floors', lead: [10, 16], state: 'approved' },
  ],
  deliveries: [{ inDays: 5, half: 'morning', place: 'shop', placeNote: 'on pallets by the street door', protection: 'boards over the threshold', floorArea: 1.2, heaviest: 24, people: 1, carry: 'box by box', selections: [{ area: 'bath', selection: 'Bathroom tiles' }] }],
  narration: 'tannery-row.txt',
  left: [{ day: 4, bin: 0.4 }, { day: 1, bin: 0.5 }],
  scope: [
    { area: 'shop', stance: 'in', verb: 'replace', subject: 'wet boards and insulation', quantity: 96, unit: 'm²', trade: 'board' },
    { area: 'living', stance: 'in', verb: 'plaster', subject: 'the party wall in two coats', quantity: 18, unit: 'm²', trade: 'plaster' },
    { area: 'stair', stance: 'protect', verb: 'protect', subject: 'the treads' },
    { area: 'row', stance: 'conditional', verb: 'repair', subject: 'rotten sills', dependsOn: 'what the scraper finds' },
    { area: 'bed', stance: 'out', verb: 'replace', subject: 'the window' },
  ],
  walks: [
    { kind: 'progress', day: -13, hour: 9, pictures: [{ area: 'shop', phase: 'insulation' }, { area: 'kitchen', phase: 'insulation' }, { area: 'bath', phase: 'wiring-rough' }, { area: 'living', phase: 'insulation' }], seen: [{ area: 'living', note: 'The party wall reads 4 % drier than last week; plaster can start when the meter says so.' }] },
    { kind: 'progress', day: -6, hour: 9, pictures: [{ area: 'shop', phase: 'board' }, { area: 'kitchen', phase: 'board' }, { area: 'bath', phase: 'insulation' }, { area: 'living', phase: 'plaster' }, { area: 'bed', phase: 'tape' }], seen: [{ area: 'store', remaining: 'one sheet short behind the door', trade: 'board', quantity: 1, unit: 'sheet', key: 'sheet' }] },
    { kind: 'progress', day: -1, hour: 9, pictures: [{ area: 'shop', phase: 'first-coats' }, { area: 'kitchen', phase: 'tape' }, { area: 'bath', phase: 'board' }, { area: 'living', phase: 'plaster' }, { area: 'bed', phase: 'first-coats' }, { area: 'row', phase: 'access' }], seen: [
      { area: 'store', recheck: 'sheet', verdict: 'done' },
      { area: 'kitchen', note: 'Cabinets come late: paint here before them, touch up after.' },
      { area: 'kitchen', measurement: 'wall for the cabinet run', typed: '3415 mm' },
    ] },
  ],
  visit: {
    day: 40,
    rooms: {
      kitchen: { height: '2.48 m', walls: [['3.415 m', 90], ['2.86 m', 90], ['3.415 m', 90], ['2.86 m', 90]] },
      living: { height: '2.48 m', walls: [['4.10 m', 90], ['2.86 m', 90], ['4.10 m', 90], ['2.86 m', 90]] },
    },
    shared: [['kitchen', 1, 'living', 3]],
    openings: [
      { area: 'kitchen', wall: 2, kind: 'door', name: 'door to the stair', width: '0.80 m', height: '2.00 m', along: '0.20 m' },
      { area: 'kitchen', wall: 3, kind: 'window', name: 'yard window', width: '1.00 m', height: '1.05 m', sill: '1.02 m', along: '0.90 m' },
      { area: 'kitchen', wall: 1, kind: 'passage', name: 'opening to the living room', width: '0.90 m', height: '2.05 m', along: '1.70 m' },
    ],
    placed: [
      { area: 'kitchen', wall: 0, kind: 'cabinet', name: 'sink cabinet', along: '0.05 m', width: '0.80 m', depth: '0.60 m', front: '0.90 m' },
      { area: 'kitchen', wall: 0, kind: 'appliance', name: 'dishwasher', along: '0.85 m', width: '0.60 m', depth: '0.60 m', front: '1.00 m' },
      { area: 'kitchen', wall: 0, kind: 'cabinet', name: 'drawers', along: '1.45 m', width: '0.60 m', depth: '0.60 m', front: '0.90 m' },
      { area: 'kitchen', wall: 0, kind: 'appliance', name: 'oven', along: '2.05 m', width: '0.60 m', depth: '0.60 m', front: '1.00 m' },
      { area: 'kitchen', wall: 0, kind: 'cabinet', name: 'tall unit', along: '2.65 m', width: '0.60 m', depth: '0.60 m', front: '0.90 m' },
    ],
    assumptions: [{ area: 'row', phase: 'substrate', text: 'no more than four sills are rotten', why: 'the awl went in at four', fallback: 'splice more sills', fallbackTrade: 'carpentry', fallbackHalfDays: 3, fallbackPrice: 72000 }],
    calculations: [
      { area: 'kitchen', calculator: 'cabinet-run', product: '', input: { wall: 3415, items: [800, 600, 600, 600, 600], leftEnd: 'wall', rightEnd: 'wall', fillerMin: 25, fillerMax: 110 } },
      { area: 'kitchen', calculator: 'tiles', product: 'White gloss, 100 × 200', input: { area: 2.1, tileWidth: 200, tileHeight: 100, joint: 2, waste: 0.12 }, phase: 'tiling', unitPrice: 85, supplier: 'Shardwell Tile' },
    ],
    changes: [{ area: 'living', kind: 'addition', title: 'two more double sockets by the window', why: 'the desk goes there', lines: [{ verb: 'fit', subject: 'double sockets, chased in', quantity: 2, unit: 'pieces', unitPrice: 11200 }], work: { trade: 'wiring', halfDays: 1 } }],
    agreedBy: 'Fen of Tannery Row',
  },
};
