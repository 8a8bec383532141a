import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Reading } from '../narration/draft';
import { recordOf } from './record-of';
import { readLines, readShorthand, writeShorthand, type ShortTerms } from './shorthand';

const steps = [
  { phase: 'wiring-rough', label: 'wires' },
  { phase: 'framing', label: 'framing' },
  { phase: 'tape', label: 'tape' },
] as const;
const terms: ShortTerms = {
  area: 'bath',
  areas: [
    { id: 'bath', name: 'Bath' },
    { id: 'kitchen', name: 'Kitchen' },
  ],
  steps: () => steps,
  system: 'metric',
};
const read = (typed: string, over: Partial<ShortTerms> = {}) => {
  const outcome = readShorthand(typed, { ...terms, ...over });
  return outcome.ok ? outcome.value : outcome.problem.code;
};

describe('the shorthand line', () => {
  it.each([
    ['tape 60', { kind: 'progress', phase: 'tape', fraction: 0.6 }],
    ['framing done', { kind: 'progress', phase: 'framing', fraction: 1 }],
    ['wiring half', { kind: 'progress', phase: 'wiring-rough', fraction: 0.5 }],
    [
      '+ 3 backing blocks over basin @carpentry',
      { kind: 'remaining', quantity: 3, subject: 'backing blocks over basin', trade: 'carpentry' },
    ],
    ['+ 4 boxes to be lifted', { kind: 'remaining', quantity: 4, subject: 'boxes to be lifted' }],
    ['+ 4 boxes of screws', { quantity: 4, unit: 'boxes', subject: 'screws' }],
    ['+ grout the niche', { kind: 'remaining', subject: 'grout the niche', trade: 'tile' }],
    ['out painting the gable', { kind: 'scope', stance: 'out', subject: 'painting the gable' }],
    ['if rotten, new sill', { kind: 'scope', stance: 'conditional' }],
    ['keep water', { kind: 'scope', stance: 'keep-live' }],
    ['refit the lamp', { kind: 'scope', stance: 'refit' }],
    ['# opening 890 x 2030', { kind: 'measurement', subject: 'opening', mm: 890, mm2: 2030 }],
    ['= tile 100x300 sage', { kind: 'selection', subject: 'tile', choice: '100x300 sage' }],
    ['> end panel wrong, 12 days', { kind: 'order', problem: 'wrong', days: 12 }],
    ['? wall may carry; else props', { kind: 'assumption', subject: 'wall may carry', fallback: 'props' }],
    ['! open edge', { kind: 'caution', subject: 'open edge' }],
    ['* client wants flat casing', { kind: 'decision', by: 'client' }],
    ['^ wiring inspection passed', { kind: 'gate', state: 'passed' }],
    ['~ second drain', { kind: 'surprise' }],
    ['& baby sleeps till three', { kind: 'household' }],
    ['$ 2 tubes sealant', { kind: 'short', quantity: 2, unit: 'tubes', subject: 'sealant' }],
    ['Kitchen: tape 20', { area: 'kitchen', kind: 'progress' }],
    ['smells of damp', { area: 'bath', kind: 'note', subject: 'smells of damp' }],
  ])('%s', (typed, meant) => {
    expect(read(typed)).toMatchObject(meant);
  });

  it.each([
    [
      'cladding 60 % and seal 10 %',
      [
        ['cladding', 0.6],
        ['seal', 0.1],
      ],
    ],
    [
      'Kitchen: cladding is up, seal half',
      [
        ['cladding', 1],
        ['seal', 0.5],
      ],
    ],
  ])('%s is two records', (typed, meant) => {
    const face = [
      { phase: 'cladding', label: 'cladding' },
      { phase: 'seal', label: 'seal' },
      { phase: 'refit', label: 'refit' },
    ] as const;
    const lines = readLines(typed, { ...terms, steps: () => face });
    expect(lines.ok && lines.value.map((line) => ('phase' in line ? [line.phase, line.fraction] : line.kind))).toEqual(
      meant,
    );
    // Trim belongs to no face: it is asked, and never set as refitting.
    expect(read('trim 40', { steps: () => face })).toBe('step-not-here');
    const half = readLines('cladding 60 and trim 40', { ...terms, steps: () => face });
    expect(half.ok).toBe(false);
  });

  it('is one record where a word only joins', () => {
    for (const typed of ['+ screws and plugs', 'smells of damp and smoke', '= tile sage and cream']) {
      const lines = readLines(typed, terms);
      expect(lines.ok && lines.value).toHaveLength(1);
    }
  });

  it('keeps the day something is late till, the size before its thing, and asks no trade of what names none', () => {
    expect(read('> tiles late till fri', { today: '2027-03-09' })).toMatchObject({ problem: 'late', days: 3 });
    expect(read(`# 5' 3 1/2" opening`, { system: 'imperial' })).toMatchObject({
      subject: 'opening',
      mm: expect.closeTo(1612.9, 3),
    });
    expect(read('# 890x2030 door')).toMatchObject({ subject: 'door', mm: 890, mm2: 2030 });
    expect(read('+ 4 hangers short')).toMatchObject({ kind: 'remaining', quantity: 4, trade: 'carpentry' });
    expect(read('Kitchen: beam is in', { steps: () => [{ phase: 'structure', label: 'beam' }] })).toMatchObject({
      area: 'kitchen',
      kind: 'progress',
      fraction: 1,
    });
  });

  it('reads lengths as the job writes them', () => {
    expect(read(`# headroom 7' 4 1/2"`, { system: 'imperial' })).toMatchObject({ subject: 'headroom', mm: 2247.9 });
    expect(read(`# opening 2' 11" x 6' 8"`, { system: 'imperial' })).toMatchObject({ mm: 889, mm2: 2032 });
  });

  it.each([
    ['', 'line-empty'],
    ['+ ', 'line-empty'],
    ['tape 140', 'fraction-high'],
    ['# opening wide', 'size-unreadable'],
    ['+ blocks @wizard', 'trade-unknown'],
    ['x'.repeat(601), 'line-long'],
  ])('says what is missing in “%s”', (typed, code) => {
    expect(read(typed)).toBe(code);
  });

  it('is written for a draft so that reading it again says the same', () => {
    const words = fc
      .array(fc.constantFrom('blocks', 'over', 'basin', 'panel', 'edge', 'client', 'lamp'), {
        minLength: 1,
        maxLength: 4,
      })
      .map((list) => list.join(' '));
    const reading: fc.Arbitrary<Reading> = fc.oneof(
      fc.record({
        kind: fc.constant('progress' as const),
        subject: fc.constant('tape'),
        phase: fc.constant('tape' as const),
        fraction: fc.integer({ min: 0, max: 100 }).map((n) => n / 100),
      }),
      fc.record({
        kind: fc.constant('remaining' as const),
        subject: words,
        trade: fc.constantFrom('wiring' as const, 'tile' as const),
        quantity: fc.integer({ min: 1, max: 99 }),
      }),
      fc.record({
        kind: fc.constant('scope' as const),
        subject: words,
        stance: fc.constantFrom(
          'in' as const,
          'out' as const,
          'conditional' as const,
          'protect' as const,
          'keep-live' as const,
          'refit' as const,
        ),
      }),
      fc.record({
        kind: fc.constant('measurement' as const),
        subject: words,
        mm: fc.integer({ min: 1, max: 90_000 }),
        mm2: fc.integer({ min: 1, max: 90_000 }),
      }),
      fc.record({ kind: fc.constant('selection' as const), subject: words, choice: fc.constant('sage') }),
      fc.record({ kind: fc.constant('assumption' as const), subject: words, fallback: words }),
      fc.record({
        kind: fc.constantFrom('caution' as const, 'surprise' as const, 'household' as const),
        subject: words,
      }),
    );
    fc.assert(
      fc.property(reading, (given) => {
        expect(read(writeShorthand(given, steps, 'metric'))).toMatchObject(given);
      }),
    );
  });

  it('knows the client by name, and takes no other name for theirs', () => {
    const by = (typed: string) => read(typed, { client: 'Tobias Averill' });
    expect(by('* Tobias wants a shelf more')).toMatchObject({ by: 'client' });
    expect(by('* Averill agreed to brass')).toMatchObject({ by: 'client' });
    expect(by('* Halyard wants the panel moved')).toMatchObject({ by: 'us' });
    expect(read('* Tobias wants a shelf more')).toMatchObject({ by: 'us' });
  });

  it('says once that something costs nothing', () => {
    const record = (subject: string) =>
      recordOf({ kind: 'decision', subject, by: 'client' }, 'a', {
        steps: [],
        system: 'metric',
      });
    expect(record('Tobias wants a shelf more, no charge')).toMatchObject({
      text: 'Tobias wants a shelf more',
      free: true,
    });
    expect(record('the shelf is on the house')).toMatchObject({
      text: 'the shelf is on the house',
      free: true,
    });
    expect(record('no charge')).toMatchObject({ text: 'no charge', free: true });
    expect(record('a shelf more')).not.toHaveProperty('free');
  });

  it('never fails, whatever is typed, and what it reads becomes a record', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 80 }),
          fc
            .tuple(fc.constantFrom('+', '!', '#', '>', '?', '*', '~', '=', '^', '&', '$'), fc.string({ maxLength: 40 }))
            .map((parts) => parts.join(' ')),
          fc.string({ unit: 'grapheme', maxLength: 60 }),
        ),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (typed, system) => {
          const outcome = readShorthand(typed, { ...terms, system });
          if (!outcome.ok) expect(outcome.problem.message.length).toBeGreaterThan(5);
          else
            expect(
              recordOf(outcome.value, outcome.value.area, {
                steps: steps.map((step) => ({ ...step, trade: 'board' as const, fraction: 0 })),
                system,
              }).kind,
            ).toBeTruthy();
        },
      ),
      { numRuns: 500 },
    );
  });
});
