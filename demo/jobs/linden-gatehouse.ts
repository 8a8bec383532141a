import type { DemoJob } from '../scenario';

/** Small guest house, last stage: leftovers, wrong and missing parts, return trips. */
export const lindenGatehouse: DemoJob = {
  key: 'linden', name: 'Linden Gatehouse', address: 'The Drive, Linden Park', client: 'Linden Park Estate', clientEmail: 'office@lindenpark.example',
  units: 'imperial', state: 'completing', startsIn: -120, promisedIn: 9, livedIn: false,
  levels: [
    { key: 'ground', name: 'Ground', height: 0 },
    { key: 'loft', name: 'Loft', height: 1 },
  ],
  areas: [
    { key: 'hall', name: 'Hall', kind: 'room', level: 'ground', works: ['rebuild'], size: 0.6, passage: true, stood: ['wiring-finish', 'duct-finish'] },
    { key: 'sitting', name: 'Sitting room', kind: 'room', level: 'ground', works: ['rebuild'], stood: ['final-coat', 'wiring-finish'] },
    { key: 'galley', name: 'Galley', kind: 'room', level: 'ground', works: ['kitchen'], size: 0.7, stood: ['worktops', 'tiling +trim=1 +final-coat=1'] },
    { key: 'shower', name: 'Shower room', kind: 'wet', level: 'ground', works: ['bathroom'], size: 0.7, provides: ['toilet'], stood: ['tiling', 'tiling +trim=1 +final-coat=1 +plumbing-finish=1'] },
    { key: 'bed', name: 'Loft bedroom', kind: 'room', level: 'loft', works: ['rebuild'], stood: ['trim', 'duct-finish'] },
    { key: 'porch', name: 'Porch', kind: 'face', works: ['repaint'], size: 0.4, shelters: [], stood: ['seal', 'face-paint'] },
    { key: 'drive', name: 'Drive', kind: 'ground', works: ['surface'], size: 0.8, stood: ['clear', 'clear'] },
  ],
  beside: [['galley', 'shower']],
  holds: [{ area: 'hall', phase: 'hand-over', kind: 'client', label: 'client', text: 'the day of the hand-over walk with the estate', expectedIn: 7 }],
  selections: [
    { area: 'shower', phase: 'glass', category: 'Shower screen', choice: 'Clear, one fixed panel', code: 'SS-1', quantity: 1, unit: 'panel', supplier: 'Stillwater Glass', lead: [8, 12], state: 'confirmed', expectedIn: 3 },
    { area: 'galley', phase: 'cabinets', category: 'End panel', choice: 'Birch, oiled, 36"', code: 'EP-36', quantity: 1, unit: 'panel', supplier: 'Saltbox Cabinets', lead: [9, 12], state: 'on site', keptAt: 'galley, behind the door', again: { orderedIn: -8, expectedIn: 4 } },
  ],
  spares: [{ kind: 'touch-up kit', what: 'wall paint, half a litre, and a small roller', quantity: 1, unit: 'kit', area: 'hall', keptAt: 'hall cupboard, top' }],
  leftWithClient: [{ kind: 'code', text: 'wall paint throughout: chalk matt, CM-12', area: 'sitting' }, { kind: 'kit', text: 'touch-up kit in the hall cupboard', area: 'hall' }, { kind: 'manual', text: 'stove and fan, in the kitchen drawer', area: 'galley' }],
  clientAsks: [{ area: 'bed', text: 'the window latch is stiff', name: 'A. Marrow, estate office' }, { text: 'where do the spare keys hang?', name: 'A. Marrow, estate office' }],
  signedOff: [{ area: 'porch', name: 'A. Marrow', words: 'just as we wanted it' }],
  scope: [
    { area: 'galley', stance: 'in', verb: 'build', subject: 'galley kitchen', quantity: 9, unit: 'ft', trade: 'cabinets' },
    { area: 'drive', stance: 'in', verb: 'lay', subject: 'gravel put back', quantity: 30, unit: 'sq yd', trade: 'ground' },
    { area: 'porch', stance: 'out', verb: 'replace', subject: 'the porch roof' },
  ],
  walks: [
    { kind: 'progress', day: -9, hour: 11, pictures: [{ area: 'galley', phase: 'worktops' }, { area: 'shower', phase: 'tiling' }, { area: 'bed', phase: 'trim' }, { area: 'porch', phase: 'seal' }], seen: [{ area: 'galley', selection: 'End panel', verdict: 'wrong', text: 'Birch, oiled, 34"' }] },
    { kind: 'completion', day: -2, hour: 11, pictures: [{ area: 'galley', phase: 'final-coat' }, { area: 'shower', phase: 'plumbing-finish' }, { area: 'bed', phase: 'final-coat' }, { area: 'hall', phase: 'final-coat' }, { area: 'porch', phase: 'face-paint' }], seen: [
      { area: 'shower', selection: 'Shower screen', verdict: 'missing', text: 'the rail is up, the panel has not come' },
      { area: 'bed', remaining: 'door rubs at the head', trade: 'finish', key: 'door' },
      { area: 'hall', remaining: 'touch up the scuffed corner', trade: 'paint', key: 'scuff' },
      { area: 'shower', short: 'clear sealant', quantity: 1, unit: 'tube', supplier: 'Brackwater Plumbing' },
      { area: 'hall', note: 'The panel and the rubbing door are one trip for finish carpentry if both wait until the panel is here.' },
    ] },
  ],
};
