import type { DemoJob } from '../scenario';

/** Outside faces, workshop and a new drain; the first visit was yesterday. */
export const oldDairy: DemoJob = {
  key: 'dairy', name: 'Old Dairy', address: 'Cowslip Lane', client: 'Hesper and Lorn', clientEmail: 'hesper@cowsliplane.example',
  units: 'metric', state: 'scoping', startsIn: 21, promisedIn: 120, livedIn: true,
  levels: [{ key: 'ground', name: 'Ground', height: 0 }],
  areas: [
    { key: 'workshop', name: 'Workshop', kind: 'room', level: 'ground', works: ['rebuild'], size: 1.5, stood: [] },
    { key: 'milk', name: 'Milk store', kind: 'room', level: 'ground', works: ['redecorate'], stood: [] },
    { key: 'front', name: 'Lane face', kind: 'face', works: ['reclad'], size: 1.3, stood: [] },
    { key: 'east', name: 'East gable', kind: 'face', works: ['reclad'], size: 0.7, stood: [] },
    { key: 'back', name: 'Meadow face', kind: 'face', works: ['repaint'], size: 1.3, shelters: [], stood: [] },
    { key: 'roof', name: 'Slate roof', kind: 'roof', works: ['none'], stood: [] },
    { key: 'lower', name: 'Drain, lane to yard', kind: 'ground', works: ['drain'], size: 1.2, stood: [] },
    { key: 'upper', name: 'Drain, yard to workshop', kind: 'ground', works: ['drain'], stood: [] },
  ],
  beside: [['workshop', 'milk']],
  holds: [
    { area: 'front', phase: 'strip', kind: 'client', label: 'overlay or strip', text: 'strip the old boards or overlay what is sound: the statement waits for this', expectedIn: 10 },
    { area: 'lower', phase: 'locate', kind: 'authority', label: 'lane permit', text: 'the lane may only be opened with the parish’s permit', expectedIn: 25 },
  ],
  selections: [
    { area: 'front', phase: 'cladding', category: 'Cladding boards', choice: '', leadDays: 25, state: 'open', note: 'larch or fibre board' },
    { area: 'front', phase: 'openings', category: 'Workshop windows', choice: 'Timber, three by two panes', leadDays: 60, state: 'chosen' },
  ],
  scope: [
    { area: 'front', stance: 'conditional', verb: 'strip', subject: 'boards of the lane face', quantity: 46, unit: 'm²', trade: 'roofing', dependsOn: 'overlay or strip' },
    { area: 'east', stance: 'in', verb: 'clad', subject: 'the gable anew', quantity: 24, unit: 'm²', trade: 'roofing' },
    { area: 'back', stance: 'in', verb: 'paint', subject: 'the meadow face', quantity: 44, unit: 'm²', trade: 'paint' },
    { area: 'roof', stance: 'out', verb: 'repair', subject: 'the slates' },
    { area: 'front', stance: 'refit', verb: 'take down and refit', subject: 'two lamps and the post box' },
    { area: 'milk', stance: 'keep-live', verb: 'keep', subject: 'power to the freezers' },
    { area: 'lower', stance: 'in', verb: 'lay', subject: 'a new 110 mm drain', quantity: 31, unit: 'm', trade: 'ground' },
  ],
  walks: [
    { kind: 'scope', day: -1, hour: 11, pictures: [{ area: 'front', phase: 'access' }, { area: 'east', phase: 'access' }, { area: 'back', phase: 'access' }, { area: 'workshop', phase: 'protect' }, { area: 'lower', phase: 'locate' }, { area: 'upper', phase: 'locate' }], seen: [
      { area: 'front', note: 'Soil stands against the lowest boards; it goes down before anything is clad, or the new ones rot like the old.' },
      { area: 'front', measurement: 'height to the eaves', typed: '4.62 m' },
      { area: 'workshop', measurement: 'length inside', typed: '7.38 m' },
      { area: 'lower', caution: 'A gas pipe is marked in the lane: locate it and dig by hand near it.' },
    ] },
  ],
};
