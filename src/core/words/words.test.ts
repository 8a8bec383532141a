import { describe, expect, it } from 'vitest';
import type { PlanFinding } from '../schedule/plan-findings';
import type { Give } from '../schedule/pull-forward';
import type { Reason } from '../schedule/reasons';
import type { Wait } from '../schedule/wait';
import type { WorkName } from '../schedule/work-name';
import type { ArrivalWhy } from '../selections/arrival';
import { counted, daysOf, listed, partOf } from './count';
import { sayFinding } from './finding';
import { sayGive } from './pull';
import { sayAlso, sayReason, sayReasonToClient } from './reason';
import { sayArrival, sayWait } from './wait';
import { sayPlace, sayWork, sayWorkHere } from './work';

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
  beside: [{ kind: 'beside', area: 'Study', text: '6 pieces backing for the shelves' }],
  called: [{ kind: 'called', text: 'Crane for the lantern panes' }],
  'site-setup': [{ kind: 'site-setup' }],
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
        ['kind', 'with its place', 'where the place is known', 'place'],
        all<WorkName>(WORK).map((work) => [work.kind, sayWork(work), sayWorkHere(work), sayPlace(work)]),
      ),
      table(
        'Why it starts when it does',
        ['kind', 'to the office and the crew', 'to the client'],
        all<Reason>(REASONS).map((reason) => [
          reason.kind,
          sayReason(reason, TODAY),
          sayReasonToClient(reason, TODAY) ?? '',
        ]),
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
        'What would pull work forward',
        ['kind', 'said'],
        all<Give>(GIVES).map((give) => [give.kind, sayGive(give, TODAY)]),
      ),
    ].join('\n');
    await expect(text).toMatchFileSnapshot('../../../docs/words.md');
  });

  it('are whole sentences where a sentence is asked for, and never empty', () => {
    const sentences = [
      ...all<Reason>(REASONS).flatMap((reason) => [
        sayReason(reason, TODAY),
        sayReasonToClient(reason, TODAY) ?? 'Nothing to tell.',
      ]),
      ...sayAlso({ kind: 'now', also: [{ kind: 'weather', weather: rain }] }, TODAY),
      ...Object.values(FINDINGS).map((finding) => sayFinding(finding, () => 'Signal House', TODAY)),
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
