import { describe, expect, it } from 'vitest';
import type { Cause } from '../schedule/cause';
import type { PlanFinding } from '../schedule/plan-findings';
import type { Give } from '../schedule/pull-forward';
import type { Reason } from '../schedule/reasons';
import type { Wait } from '../schedule/wait';
import type { WorkName } from '../schedule/work-name';
import type { ArrivalWhy } from '../selections/arrival';
import { sayCause, sayCauseToClient } from './cause';
import { counted, daysOf, listed, partOf } from './count';
import { PHASE_KEYS, phaseFacts, shortLabel } from '../sequence/phases';
import type { DateWhy } from '../selections/date-why';
import type { LoadCaution } from '../selections/load-cautions';
import type { Caption } from '../sites/caption';
import type { Day } from '../units/day';
import type { WalkDue } from '../walks/walk-due';
import { sayCaption } from './caption';
import { sayDateWhy } from './date-why';
import { sayDay, sayHowFar } from './day';
import { sayLimit, sayUnkeptVisit, type UnkeptVisit } from './limit';
import { sayLoadCaution } from './load-caution';
import { meaningsOf, stepMeaning } from './meanings';
import { sayWalkDue } from './walk-due';
import { sayFinding } from './finding';
import { sayGive } from './pull';
import { sayAlso, sayReason } from './reason';
import { sayArrival, sayWait } from './wait';
import { sayPlace, sayWork, sayWorkHere, sayWorkShort } from './work';

const TODAY = '2027-03-09';

/** Every kind of value with one of it, or several that are said differently; a new kind is missed by the compiler. */
type OfEach<Value extends { kind: string }> = {
  [Kind in Value['kind']]: readonly Extract<Value, { kind: Kind }>[];
};
const all = <Value>(table: Record<string, readonly Value[]>): Value[] => Object.values(table).flat();

const beam: WorkName = { kind: 'step', area: 'Kitchen', phase: 'structure' };

const WORK: OfEach<WorkName> = {
  step: [
    beam,
    { kind: 'step', area: 'Study', phase: 'board', part: 'ceiling' },
    { kind: 'step', area: 'Shop', phase: 'wiring-finish', others: 'the tenant’s own electrician' },
  ],
  proof: [{ kind: 'proof', area: 'Study', text: 'old gas pipe' }],
  beside: [{ kind: 'beside', area: 'Study', text: '6 pieces backing for the shelves' }],
  called: [{ kind: 'called', text: 'Crane for the lantern panes' }],
  'site-setup': [{ kind: 'site-setup' }],
  'dust-doors': [{ kind: 'dust-doors' }],
  finished: [{ kind: 'finished' }],
  alarms: [{ kind: 'alarms' }],
  'start-up': [{ kind: 'start-up' }],
  'final-inspection': [{ kind: 'final-inspection' }],
  tight: [{ kind: 'tight', level: 'Ground floor' }],
};

const rain = { of: 'rain', amount: 9, day: '2027-03-12' } as const;

const ARRIVALS: OfEach<ArrivalWhy> = {
  came: [{ kind: 'came', day: '2027-03-08', rest: 3 }],
  overdue: [
    { kind: 'overdue', due: '2027-03-05' },
    { kind: 'overdue', due: '2027-03-05', later: { days: 1, why: '' } },
  ],
  expected: [
    { kind: 'expected', due: '2027-03-20' },
    { kind: 'expected', due: '2027-03-20', later: { days: 9, why: 'the press broke down' } },
    { kind: 'expected', due: '2028-01-10', rest: 1 },
  ],
  unconfirmed: [{ kind: 'unconfirmed', days: 20, due: '2027-03-29' }],
  'not-ordered': [
    { kind: 'not-ordered', days: 28, there: '2027-04-09' },
    {
      kind: 'not-ordered',
      days: 28,
      there: '2027-04-26',
      waitsFor: { label: 'the designer (frame)', expected: '2027-03-27' },
    },
  ],
};

const WAITS: OfEach<Wait> = {
  delivery: [{ kind: 'delivery', thing: 'Wall tiles', why: { kind: 'expected', due: '2027-03-20' } }],
  request: [
    { kind: 'request', of: 'approval', label: 'the association (glass)', expected: '2027-03-29', asked: '2027-03-01' },
    { kind: 'request', of: 'answer', label: 'the client (tile height)', expected: '2027-03-15', asked: null },
    { kind: 'request', of: 'drawing', label: 'the designer (frame)', expected: '2027-03-27', asked: null },
  ],
  hold: [
    {
      kind: 'hold',
      text: 'the engineer has not answered how the beam bears on the old stone',
      expected: '2027-03-13',
      overdue: false,
      asked: '2027-03-01',
    },
    {
      kind: 'hold',
      text: 'nobody knows yet whether cables lie in the slab',
      expected: '2027-03-08',
      overdue: true,
      asked: null,
    },
  ],
  visit: [{ kind: 'visit', office: 'Port Ellery building office', day: '2027-03-11', booked: '2027-03-09' }],
  notice: [
    { kind: 'notice', office: 'Port Ellery building office', workdays: 2, unsaid: null },
    { kind: 'notice', office: 'Port Ellery building office', workdays: 1, unsaid: '2027-03-08' },
  ],
  others: [
    { kind: 'others', who: 'the tenant’s own electrician', day: '2027-03-20', overdue: false },
    { kind: 'others', who: 'the tenant’s own electrician', day: '2027-03-01', overdue: true },
    { kind: 'others', who: 'the tenant’s own electrician', day: null, overdue: false },
  ],
  gate: [{ kind: 'gate', what: 'Ready for the floor', day: '2027-04-12' }],
  booked: [{ kind: 'booked', what: 'Bin for the slab, 6 m³', day: '2027-03-15' }],
  'not-asked': [{ kind: 'not-asked', what: 'Crane for the lantern panes', days: 10 }],
  option: [{ kind: 'option', name: 'A stone top', days: 35 }],
  pin: [{ kind: 'pin', why: 'the client wants to see it begin' }],
  asked: [{ kind: 'asked' }],
  'open-too-long': [
    { kind: 'open-too-long', halfDays: 12, most: 4, why: 'one night of rain costs more than the roof' },
  ],
  'open-in-rain': [{ kind: 'open-in-rain', weather: rain }],
  'not-closed': [
    { kind: 'not-closed', what: 'the roof', thing: 'roof tiles', due: '2027-04-12', promised: true },
    { kind: 'not-closed', what: 'the roof', thing: 'covering', due: '2027-04-12', promised: false },
  ],
  'not-chosen': [{ kind: 'not-chosen', what: 'the roof', phases: ['covering'] }],
  declined: [{ kind: 'declined', who: 'Halyard Wiring', day: '2027-03-12' }],
  calm: (['confirmed', 'frozen', 'stands', 'no-sooner'] as const).map((why) => ({ kind: 'calm', why })),
  'one-visit': [{ kind: 'one-visit', rooms: 4 }],
  told: [{ kind: 'told', text: 'the cabinets arrive Mon 5 Apr' }],
};

const link = { kind: 'link', task: 'k:structure', work: beam, rule: 14, why: 'paint over wet board peels' } as const;
const at = { day: '2027-03-10', afternoon: true };

const REASONS: OfEach<Reason> = {
  done: [{ kind: 'done' }],
  'under-way': [{ kind: 'under-way' }],
  none: [{ kind: 'none' }],
  now: [{ kind: 'now' }, { kind: 'now', begins: '2027-03-22' }],
  link: [
    { ...link, how: 'ends', at },
    { ...link, how: 'ends', at, then: { halfDays: 6, unit: 'elapsed' } },
    { ...link, how: 'begins', at, then: { halfDays: 1, unit: 'work' } },
    { ...link, how: 'is-reached', at },
    { ...link, how: 'is-done', at, hours: 'office' },
  ],
  'not-before': [
    { kind: 'not-before', wait: WAITS.delivery[0] as Wait, selection: 's' },
    { kind: 'not-before', wait: WAITS.hold[0] as Wait, held: true },
    { kind: 'not-before', wait: { kind: 'pin', why: 'the client wants to see it begin' } },
  ],
  crew: [
    { kind: 'crew', crew: 'Gull Wiring', day: '2027-03-10', task: 'k:structure', work: beam },
    { kind: 'crew', crew: 'Small digger', day: '2027-03-10' },
  ],
  area: [
    { kind: 'area', until: at, task: 'k:structure', work: beam },
    { kind: 'area', until: { day: '2027-03-10', afternoon: false }, hours: 'loud' },
  ],
  away: [
    { kind: 'away', crew: 'Gull Wiring', from: '2027-03-10', until: '2027-03-12' },
    { kind: 'away', crew: 'Gull Wiring', from: '2027-03-10', until: '2027-03-10' },
  ],
  weather: [
    { kind: 'weather', weather: rain },
    { kind: 'weather', weather: { of: 'wind', amount: 13.5, day: '2027-03-12' } },
    { kind: 'weather', weather: { of: 'frost', amount: -2, day: '2027-03-12' } },
  ],
  told: [{ kind: 'told', text: 'Not earlier: the cabinets arrive Mon 5 Apr.' }],
};

const about = { task: 'k:structure', job: 'j', slot: 0 };
const FINDINGS: { [Of in PlanFinding['of']]: Extract<PlanFinding, { of: Of }> } = {
  'open-too-long': {
    ...about,
    kind: 'conflict',
    of: 'open-too-long',
    work: beam,
    halfDays: 12,
    most: 4,
    why: 'one night of rain costs more than the roof',
    cure: 'a cover at hand',
  },
  'open-in-rain': {
    ...about,
    kind: 'conflict',
    of: 'open-in-rain',
    work: beam,
    day: '2027-03-12',
    why: 'one night of rain costs more than the roof',
    cure: 'a cover at hand',
  },
  pin: {
    ...about,
    kind: 'conflict',
    of: 'pin',
    work: beam,
    day: '2027-03-12',
    wait: { kind: 'pin', why: 'the client wants to see it begin' },
    reason: { kind: 'weather', weather: rain },
  },
  promise: { ...about, kind: 'conflict', of: 'promise', ends: '2027-10-13', promised: '2027-09-25' },
  trip: { ...about, kind: 'trip', of: 'trip', crew: 'Gull Wiring', left: '2027-03-10', back: '2027-03-15', work: beam },
  gap: {
    ...about,
    kind: 'gap',
    of: 'gap',
    crew: 'Gull Wiring',
    from: '2027-03-10',
    until: '2027-03-15',
    halfDays: 5,
    work: beam,
  },
};

const GIVES: OfEach<Give> = {
  order: [
    { kind: 'order', work: beam, before: { kind: 'site-setup' }, why: 'a dry place to eat saves a walk every hour' },
  ],
  pin: [{ kind: 'pin', work: beam }],
  wait: [{ kind: 'wait', work: beam, wait: WAITS.delivery[0] as Wait }],
  present: [{ kind: 'present', crew: 'Gull Wiring' }],
  'one-more': [{ kind: 'one-more', crew: 'Gull Wiring' }],
  cover: [{ kind: 'cover', work: beam }],
};

const study = { area: 'study', place: 'Study', phase: 'wiring-rough' } as const;
const tiles = { selection: 't', thing: 'Wall tiles' } as const;
const goods = (...what: Extract<Cause, { kind: 'goods' }>['what'][]) =>
  what.map((each) => ({ kind: 'goods' as const, ...tiles, what: each }));

const CAUSES: OfEach<Cause> = {
  step: (['changed', 'timed', 'joined', 'ours'] as const).map((what) => ({ kind: 'step', ...study, what })),
  parts: [{ kind: 'parts', ...study, parts: 3 }],
  others: [{ kind: 'others', ...study, who: 'the tenant’s own electrician' }],
  rate: [{ kind: 'rate', phase: 'tiling' }],
  drawn: [{ kind: 'drawn', area: 'study', place: 'Study' }],
  method: [
    { kind: 'method', title: 'Floor and cabinets', chosen: 'floor first' },
    { kind: 'method', title: 'Floor and cabinets', chosen: null },
  ],
  rule: (['written', 'changed', 'dropped'] as const).map((what) => ({
    kind: 'rule',
    what,
    rule: 201,
    before: 'tiling',
    after: 'cabinets',
  })),
  switch: [
    { kind: 'switch', rule: 14, what: 'off', why: 'the board is primed' },
    { kind: 'switch', rule: 14, what: 'on', why: 'the other board is used' },
    { kind: 'switch', rule: 14, what: 'as-elsewhere', why: '' },
  ],
  order: (['agreed', 'dropped'] as const).map((what) => ({
    kind: 'order',
    what,
    before: { area: 'hall', place: 'Hall', phase: 'flooring' },
    after: study,
    why: 'the crew passes through',
  })),
  gate: (['set', 'dropped'] as const).map((what) => ({ kind: 'gate', gate: 'g', label: 'Ready for the floor', what })),
  logistic: [
    ...(['needed', 'open', 'booked', 'here', 'dropped'] as const).map((what) => ({
      kind: 'logistic' as const,
      logistic: 'l',
      label: 'Crane for the lantern panes',
      what,
      day: null,
    })),
    { kind: 'logistic', logistic: 'l', label: 'Crane for the lantern panes', what: 'booked', day: '2027-03-15' },
  ],
  hold: (['held', 'moved', 'released'] as const).map((what) => ({
    kind: 'hold',
    ...study,
    label: 'the engineer’s answer',
    what,
    expected: '2027-03-20',
  })),
  inspection: (['booked', 'cancelled', 'passed'] as const).map((what) => ({
    kind: 'inspection',
    area: 'study',
    place: 'Study',
    phase: 'rough-inspection',
    what,
    day: '2027-03-11',
  })),
  failed: [
    { kind: 'failed', area: 'study', place: 'Study', phase: 'rough-inspection', fixes: ['a box without its clamp'] },
    { kind: 'failed', area: 'study', place: 'Study', phase: 'rough-inspection', fixes: [] },
  ],
  office: [{ kind: 'office', name: 'Port Ellery building office' }],
  pin: [
    { kind: 'pin', task: 'k:structure', work: beam, what: 'set', why: 'the client wants to see it begin' },
    { kind: 'pin', task: 'k:structure', work: null, what: 'dropped', why: '' },
  ],
  sub: (['joined', 'changed', 'calendar-read', 'calendar-out'] as const).map((what) => ({
    kind: 'sub',
    sub: 's',
    name: 'Gull Wiring',
    what,
  })),
  away: [
    { kind: 'away', sub: 's', name: 'Gull Wiring', what: 'away', from: '2027-03-10', until: '2027-03-12' },
    { kind: 'away', sub: 's', name: 'Gull Wiring', what: 'back', from: '2027-03-10', until: '2027-03-10' },
  ],
  plant: (['set', 'mended'] as const).map((what) => ({ kind: 'plant', plant: 'p', name: 'Small digger', what })),
  broken: [{ kind: 'broken', plant: 'p', name: 'Small digger', why: 'a hose burst' }],
  outlook: [{ kind: 'outlook' }],
  weather: [{ kind: 'weather', weather: rain }],
  holiday: [{ kind: 'holiday', day: '2027-03-29', name: 'spring holiday' }],
  zone: [{ kind: 'zone', zone: 'Pacific/Auckland' }],
  weights: [{ kind: 'weights' }],
  'job-changed': [{ kind: 'job-changed', name: 'Signal House' }],
  'areas-set-out': [
    { kind: 'areas-set-out', places: ['Study'] },
    { kind: 'areas-set-out', places: ['Study', 'Hall', 'Kitchen'] },
  ],
  area: (['changed', 'split', 'removed'] as const).map((what) => ({
    kind: 'area',
    area: 'study',
    place: 'Study',
    what,
  })),
  merged: [{ kind: 'merged', area: 'study', place: 'Study', from: 'Box room' }],
  'job-removed': [{ kind: 'job-removed', name: 'Signal House' }],
  'job-back': [{ kind: 'job-back', name: 'Signal House' }],
  copied: [{ kind: 'copied', area: 'study', place: 'Flat 2 study', from: 'Flat 1 study' }],
  'opened-anyway': [
    { kind: 'opened-anyway', area: 'roof', place: 'Roof', phase: 'roof-strip', why: 'it leaks already' },
  ],
  service: [
    { kind: 'service', service: 's', subject: 'The old gas pipe', what: 'found', by: '' },
    { kind: 'service', service: 's', subject: 'The old gas pipe', what: 'gone', by: '' },
    { kind: 'service', service: 's', subject: 'The old gas pipe', what: 'dead', by: 'Ada Pipe' },
    { kind: 'service', service: 's', subject: 'The freezer line', what: 'kept', by: 'Ada Pipe' },
  ],
  'job-task': [
    { kind: 'job-task', task: 'alarms', done: true },
    { kind: 'job-task', task: 'start-up', done: false },
  ],
  beside: [{ kind: 'beside', areas: ['study', 'hall'], places: ['Study', 'Hall'] }],
  slip: [
    { kind: 'slip', ...tiles, days: 9, why: 'the press broke down' },
    { kind: 'slip', selection: 'w', thing: 'Worktop', days: -1, why: '' },
  ],
  goods: [
    ...goods('added', 'changed', 'chosen', 'approved', 'ordered', 'confirmed', 'in making', 'shipped', 'in-parts'),
    ...goods('not-to-be-had', 'on site', 'checked', 'fitted', 'left over', 'fitted-later', 'waited-for'),
    ...goods('check-taken-back', 'taken-away', 'open'),
  ],
  checked: (['right', 'wrong', 'missing', 'damaged'] as const).map((verdict) => ({
    kind: 'checked',
    ...tiles,
    place: 'Guest suite',
    verdict,
    text: verdict === 'right' ? '' : '9 of 24',
  })),
  'goods-listed': [{ kind: 'goods-listed', lines: 12 }],
  'delivery-came': [
    { kind: 'delivery-came', selections: ['t', 'w'], things: ['Wall tiles', 'Worktop'], day: '2027-03-08' },
    { kind: 'delivery-came', selections: [], things: [], day: '2027-03-08' },
  ],
  supplier: (['open-after-all', 'list-read'] as const).map((what) => ({
    kind: 'supplier',
    supplier: 's',
    name: 'Fathom Timber',
    what,
  })),
  'supplier-closed': [
    { kind: 'supplier-closed', supplier: 's', name: 'Fathom Timber', from: '2027-08-02', until: '2027-08-20' },
  ],
  request: (['added', 'changed', 'sent', 'expected', 'answered', 'refused', 'reopened', 'taken-away'] as const).map(
    (what) => ({ kind: 'request', request: 'r', subject: 'the grey of the slate', party: 'association', what }),
  ),
  option: [
    { kind: 'option', area: 'k', subject: 'Kitchen top', chosen: 'Stone' },
    { kind: 'option', area: 'k', subject: 'Kitchen top', chosen: null },
  ],
  assumption: [
    { kind: 'assumption', area: 'k', text: 'the floor is dry', what: 'wrong', found: 'wet under the screed' },
    { kind: 'assumption', area: 'k', text: 'the floor is dry', what: 'held', found: '' },
    { kind: 'assumption', area: 'k', text: 'the floor is dry', what: 'open', found: '' },
  ],
  extra: (['done', 'open'] as const).map((what) => ({
    kind: 'extra',
    extra: 'e',
    area: 'k',
    text: 'lay a membrane',
    what,
  })),
  change: [{ kind: 'change', area: 'k', number: 3, title: 'a second window' }],
  'signature-taken-away': [{ kind: 'signature-taken-away', area: 'k' }],
  signed: [{ kind: 'signed', area: 'k', place: 'Kitchen', name: 'Maren' }],
  'check-settled': [{ kind: 'check-settled', area: 'k', place: 'Kitchen', item: null }],
  'client-item': [{ kind: 'client-item', area: 'k', text: 'the door scrapes' }],
  walk: [{ kind: 'walk', walk: 'w', day: '2027-03-09' }],
  progress: [
    { kind: 'progress', ...study, fraction: 0.5, halves: 4 },
    { kind: 'progress', ...study, fraction: 1, halves: -3 },
    { kind: 'progress', ...study, fraction: 0, halves: 1 },
  ],
  leftover: [{ kind: 'leftover', area: 'study', place: 'Study', text: 'two boxes sit too low' }],
  'late-record': [{ kind: 'late-record', area: 'study', place: 'Study' }],
  'not-seen': (['begin', 'end'] as const).map((what) => ({
    kind: 'not-seen',
    task: 'k:structure',
    work: beam,
    day: '2027-03-08',
    what,
  })),
  'taken-back': [{ kind: 'taken-back' }],
  together: [
    { kind: 'together', changes: 4, more: true },
    { kind: 'together', changes: 18, more: false },
  ],
  declined: [
    {
      kind: 'declined',
      crew: 'c',
      name: 'Halyard Wiring',
      task: 't',
      work: { kind: 'called', text: 'Study · wires' },
      day: '2027-03-12',
    },
  ],
  given: [0, 3].map((more) => ({
    kind: 'given',
    sub: 'c',
    name: 'Halyard Wiring',
    task: 't',
    work: { kind: 'called', text: 'Study · wires' },
    more,
  })),
  quiet: (['asked', 'over'] as const).map((what) => ({
    kind: 'quiet',
    what,
    text: 'nothing loud before eleven until Friday',
  })),
  freed: [0, 2].map((more) => ({ kind: 'freed', task: 't', work: { kind: 'called', text: 'Study · wires' }, more })),
  'worked-day': (['worked', 'off'] as const).map((what) => ({ kind: 'worked-day', what, day: '2027-03-20' })),
  'better-order': [{ kind: 'better-order' }],
  form: [{ kind: 'form' }],
  told: [{ kind: 'told', text: 'the outlook changed' }],
};

const CAPTIONS: OfEach<Caption> = {
  'no-work': [
    { kind: 'no-work', livedIn: true },
    { kind: 'no-work', livedIn: false },
  ],
  done: [{ kind: 'done' }],
  waits: [{ kind: 'waits', label: 'engineer' }],
  'not-planned': [{ kind: 'not-planned' }],
  'only-toilet': [{ kind: 'only-toilet', until: '2027-03-12' }],
  begins: [
    { kind: 'begins', day: '2027-03-09' },
    { kind: 'begins', day: '2027-03-12' },
  ],
  next: [
    { kind: 'next', phase: 'tiling', day: '2027-03-10' },
    { kind: 'next', phase: 'insulation-inspection', day: '2027-03-12' },
  ],
};

const DUES: OfEach<WalkDue> = {
  check: [
    { kind: 'check', area: 'Study', day: '2027-03-09' },
    { kind: 'check', area: 'Study', day: '2027-03-10' },
  ],
  'check-planned': [{ kind: 'check-planned', work: { kind: 'step', area: 'Study', phase: 'close-in' } }],
  'left-unsaid': [{ kind: 'left-unsaid' }],
  'never-walked': [{ kind: 'never-walked' }],
  'long-ago': [{ kind: 'long-ago', days: 8 }],
  'work-begins': [
    { kind: 'work-begins', pieces: 1 },
    { kind: 'work-begins', pieces: 3 },
  ],
};

const CAUTIONS: OfEach<LoadCaution> = {
  'not-heard': [{ kind: 'not-heard', day: '2027-03-08' }],
  'not-ordered': [{ kind: 'not-ordered', thing: 'Worktop' }],
  'promised-later': [{ kind: 'promised-later', thing: 'Worktop', day: '2027-03-20' }],
  'needed-earlier': [{ kind: 'needed-earlier', thing: 'Worktop', day: '2027-03-11' }],
  'in-the-way': [
    {
      kind: 'in-the-way',
      work: 'Hall · board',
      from: '2027-03-10',
      until: '2027-03-12',
      more: 2,
      freeFrom: '2027-03-15',
    },
    { kind: 'in-the-way', work: 'Hall · board', from: '2027-03-10', until: '2027-03-10', more: 0, freeFrom: null },
  ],
  'no-floor': [{ kind: 'no-floor', takes: 6, free: 2.4 }],
  'carry-unsaid': [{ kind: 'carry-unsaid', heaviest: 82, people: 4 }],
  'too-few': [{ kind: 'too-few', heaviest: 82, people: 4, there: 2 }],
  'not-got-in': [{ kind: 'not-got-in', piece: 'worktop, in one piece' }],
  'protection-unsaid': [{ kind: 'protection-unsaid' }],
};

const because = sayArrival('Wall tiles', { kind: 'expected', due: '2027-03-20' }, TODAY);
const DATES: OfEach<DateWhy> = {
  'nothing-waits': [{ kind: 'nothing-waits' }],
  'not-planned': [{ kind: 'not-planned' }],
  needed: [
    { kind: 'needed', by: '2027-03-18', area: 'Bath', step: 'tiling', start: '2027-03-22', checkDays: 1, lieDays: 3 },
    { kind: 'needed', by: '2027-03-18', area: 'Bath', step: 'tiling', start: null, checkDays: 2, lieDays: 0 },
  ],
  order: [{ kind: 'order', by: '2027-02-08', leadLow: 14, leadHigh: 28, inHand: 5 }],
  decide: [{ kind: 'decide', by: '2027-02-01', thinkDays: 7 }],
  granted: [{ kind: 'granted', by: '2027-02-01', waits: 'the association (glass)', expected: '2027-03-29' }],
  'in-time': [{ kind: 'in-time', because }],
  'too-late': [
    { kind: 'too-late', days: 1, because, work: beam, start: '2027-03-22', reason: null },
    { kind: 'too-late', days: 9, because, work: beam, start: '2027-03-22', reason: REASONS.away[0] as Reason },
  ],
  'became-late': [{ kind: 'became-late', causes: CAUSES.slip }],
  'need-moved': [{ kind: 'need-moved', before: '2027-03-20', causes: CAUSES.walk }],
};

const LIMIT = {
  actual: 12,
  most: 4,
  rain: true,
  why: 'one night of rain costs more than the roof',
  cure: 'a cover at hand',
};
const VISITS: UnkeptVisit[] = [
  { kind: 'over' },
  { kind: 'done' },
  { kind: 'not-reached', reason: REASONS.away[0] as Reason },
];
const FAR: Day[] = ['2027-03-09', '2027-03-10', '2027-03-08', '2027-03-12', '2027-03-30', '2027-09-30', '2027-02-20'];

const table = (title: string, heads: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `## ${title}`,
    `| ${heads.join(' | ')} |`,
    `|${heads.map(() => '---').join('|')}|`,
    ...rows.map((row) => `| ${row.map((cell) => cell.replaceAll('|', '\\|')).join(' | ')} |`),
    '',
  ].join('\n');

describe('words', () => {
  it('are these for every value there is', async () => {
    const text = [
      '# What is said of each value',
      'Made by `src/core/words/words.test.ts`, which says every kind of value there is; `npx vitest run words -u` writes it anew.',
      '',
      table(
        'Work',
        ['kind', 'with its place', 'where the place is known', 'in a narrow block', 'place'],
        all<WorkName>(WORK).map((work) => [
          work.kind,
          sayWork(work),
          sayWorkHere(work),
          sayWorkShort(work),
          sayPlace(work),
        ]),
      ),
      table(
        'Why it starts when it does',
        ['kind', 'said'],
        all<Reason>(REASONS).map((reason) => [reason.kind, sayReason(reason, TODAY)]),
      ),
      table(
        'What it waits for',
        ['kind', 'said'],
        all<Wait>(WAITS).map((wait) => [wait.kind, sayWait(wait, TODAY)]),
      ),
      table(
        'When a thing can be used',
        ['kind', 'said'],
        all<ArrivalWhy>(ARRIVALS).map((why) => [why.kind, sayArrival('Oak boards', why, TODAY)]),
      ),
      table(
        'What stands out in a plan',
        ['kind', 'said'],
        Object.values(FINDINGS).map((finding) => [finding.of, sayFinding(finding, () => 'Signal House', TODAY)]),
      ),
      table(
        'What moved a plan',
        ['kind', 'to the office and the crew', 'to the client'],
        all<Cause>(CAUSES).map((cause) => [cause.kind, sayCause(cause, TODAY), sayCauseToClient(cause, TODAY) ?? '']),
      ),
      table(
        'What would pull work forward',
        ['kind', 'said'],
        all<Give>(GIVES).map((give) => [give.kind, sayGive(give, TODAY)]),
      ),
      table(
        'Under the name of an area',
        ['kind', 'said'],
        all<Caption>(CAPTIONS).map((caption) => [caption.kind, sayCaption(caption, TODAY)]),
      ),
      table(
        'Why a job should be walked today',
        ['kind', 'said'],
        all<WalkDue>(DUES).map((due) => [due.kind, sayWalkDue(due, TODAY)]),
      ),
      table(
        'Why a selection has the days it has',
        ['kind', 'said'],
        all<DateWhy>(DATES).map((why) => [why.kind, sayDateWhy(why, TODAY)]),
      ),
      table(
        'What is wrong, or not said, about a delivery',
        ['kind', 'said'],
        all<LoadCaution>(CAUTIONS).map((caution) => [caution.kind, sayLoadCaution(caution, TODAY, 'metric')]),
      ),
      table(
        'How a time limit is kept',
        ['kind', 'said'],
        [true, false].map((kept) => [kept ? 'kept' : 'not kept', sayLimit({ ...LIMIT, kept })]),
      ),
      table(
        'Why a booked visit does not fit the plan',
        ['kind', 'said'],
        VISITS.map((visit) => [visit.kind, sayUnkeptVisit(visit, TODAY)]),
      ),
      table(
        'How far off a day is',
        ['day', 'the day', 'from today'],
        FAR.map((day) => [day, sayDay(day, TODAY), sayHowFar(day, TODAY)]),
      ),
      ...(['mark', 'word', 'figure', 'state'] as const).map((kind) =>
        table(
          `What ${kind}s mean`,
          [kind, 'means'],
          meaningsOf(kind).map(({ name, means }) => [name, means]),
        ),
      ),
      table(
        'Steps of the work',
        ['step', 'in little room', 'to a client', 'in a line'],
        PHASE_KEYS.map((phase) => [
          phaseFacts(phase).label,
          shortLabel(phase),
          phaseFacts(phase).plain,
          stepMeaning(phase).means,
        ]),
      ),
    ].join('\n');
    await expect(text).toMatchFileSnapshot('../../../docs/words.md');
  });

  it('are whole sentences where a sentence is asked for, and never empty', () => {
    const sentences = [
      ...all<Reason>(REASONS).map((reason) => sayReason(reason, TODAY)),
      ...sayAlso({ kind: 'now', also: [{ kind: 'weather', weather: rain }] }, TODAY),
      ...Object.values(FINDINGS).map((finding) => sayFinding(finding, () => 'Signal House', TODAY)),
      ...all<Cause>(CAUSES).flatMap((cause) => [
        sayCause(cause, TODAY),
        sayCauseToClient(cause, TODAY) ?? 'The firm’s own affair.',
      ]),
      ...all<DateWhy>(DATES).map((why) => sayDateWhy(why, TODAY)),
      ...all<LoadCaution>(CAUTIONS).map((caution) => sayLoadCaution(caution, TODAY, 'imperial')),
    ];
    for (const sentence of sentences) expect(sentence).toMatch(/^\p{Lu}[^\n]*[^.]\.$/u);
    for (const clause of [...all<Wait>(WAITS).map((wait) => sayWait(wait, TODAY)), ...all<WorkName>(WORK).map(sayWork)])
      expect(clause).toMatch(/^\S.*[^.\s]$/u);
  });

  it('say once what sounds alike', () => {
    const away = { kind: 'away', crew: 'Gull Wiring', from: '2027-03-10', until: '2027-03-12' } as const;
    const wet = { kind: 'weather', weather: rain } as const;
    expect(sayAlso({ ...away, also: [{ ...away }, wet, { ...wet }] }, TODAY)).toEqual([sayReason(wet, TODAY)]);
  });

  it('count as people do', () => {
    expect([1, 2, 3, 4, 5].map(daysOf)).toEqual(['half a day', 'a day', '1½ days', '2 days', '2½ days']);
    expect([
      counted(1, 'day'),
      counted(0, 'day'),
      counted(3, 'working day'),
      counted(2, 'piece of work', 'pieces of work'),
    ]).toEqual(['1 day', '0 days', '3 working days', '2 pieces of work']);
    expect([0, 0.06, 0.21, 0.34, 0.49, 0.74, 0.97, 1].map(partOf)).toEqual([
      'hardly any',
      'about a twentieth',
      'about a fifth',
      'about a third',
      'about half',
      'about three quarters',
      'almost all',
      'all',
    ]);
    expect([listed([]), listed(['tiles']), listed(['tiles', 'trim']), listed(['tiles', 'trim', 'taps'])]).toEqual([
      '',
      'tiles',
      'tiles and trim',
      'tiles, trim and taps',
    ]);
  });
});
