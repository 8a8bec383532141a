import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCaptions, writeCaptions, type Cue } from '@/core/narration/captions';
import { draftKeys, DRAFT_KINDS } from '@/core/narration/draft';
import { readNarration } from '@/core/narration/read';

const AREAS = [
  { name: 'Kitchen', synonyms: [] },
  { name: 'Bath', synonyms: ['bathroom'] },
  { name: 'North Wall', synonyms: ['lane side'] },
];
const said = (text: string): Cue[] => [{ start: 0, end: 9, text }];
const read = (text: string) => readNarration(said(text), AREAS);

describe('a narrated walk', () => {
  it.each([
    ['was', 'This was framed last year.', []],
    ['is', 'Framing is done.', ['progress']],
    ['will be', 'We are going to frame this wall.', ['scope']],
    ['is not yet', 'The framing has not been started.', ['progress']],
    ['is not to be', 'We are not framing that.', ['scope']],
  ])('tells apart what %s', (_, text, kinds) => {
    expect(read(`Kitchen. ${text}`).map((draft) => draft.kind)).toEqual(kinds);
  });

  it.each([
    ['Opening is eighteen hundred, no, eighteen forty wide, and two seven fifty high in millimetres.', 1840, 2750],
    [
      'The window is thirty four and a quarter, no hang on, thirty four and three quarters inches by forty eight.',
      882.65,
      1219.2,
    ],
    ['Headroom is five foot eleven and a half.', 1816.1, undefined],
    ['From wall to hedge it is two metres ten.', 2100, undefined],
  ])('takes the last word of whoever corrects himself: %s', (text, mm, second) => {
    const [size] = read(`Kitchen. ${text}`).filter((draft) => draft.kind === 'measurement');
    expect(size?.mm).toBeCloseTo(mm, 0);
    if (second === undefined) expect(size?.mm2).toBeUndefined();
    else expect(size?.mm2).toBeCloseTo(second, 0);
  });

  it.each([
    'Morning all, wet again, I have got a coffee in one hand.',
    'I would have done it with a two by four myself.',
    'Hello, no, we are only looking, thank you.',
    'When I was a boy this was all fields.',
    'See you at lunch, bye now.',
  ])('makes nothing of chatter: %s', (text) => {
    expect(read(text)).toEqual([]);
  });

  it('follows the speaker, and knows what only describes a thing', () => {
    expect(
      read(
        'Kitchen. Framing is done. Over to the bath. The tiles are late, two weeks. Back in the kitchen, wiring ' +
          'is half done.',
      ).map(({ kind, area }) => [kind, area]),
    ).toEqual([
      ['progress', 'Kitchen'],
      ['order', 'Bath'],
      ['progress', 'Kitchen'],
    ]);
    expect(
      read('Kitchen. Framing is done. For the whole job, the permit has not come back to us.').at(-1),
    ).toMatchObject({ kind: 'gate', area: null, state: 'waiting' });
  });

  it('gives the same drafts for the same text, each with a name of its own and the second it was said', () => {
    const cues: Cue[] = [
      { start: 3, end: 7, text: 'Kitchen. Framing is done,' },
      { start: 7, end: 12, text: 'ducts three quarters, wiring not started.' },
    ];
    const [first, second] = [readNarration(cues, AREAS), readNarration(cues, AREAS)];
    expect(first).toEqual(second);
    expect(new Set(draftKeys(first)).size).toBe(first.length);
    expect(first.every((draft) => draft.start >= 3 && draft.end <= 12)).toBe(true);
  });

  it('never fails and never hangs, whatever is said, in whatever script', () => {
    const word = fc.oneof(
      fc.constantFrom(
        'kitchen',
        'no',
        'two',
        'by',
        'half',
        'a',
        'foot',
        'and',
        'three',
        'quarters',
        'is',
        'not',
        'the',
        'wiring',
        'if',
        'it',
        'hundred',
        'point',
        '1/0',
        '…',
        '🧱',
        'مطبخ',
        '\u202e',
        "'s",
        '-',
        '1,840',
      ),
      fc.string({ maxLength: 12 }),
    );
    fc.assert(
      fc.property(fc.array(fc.array(word, { maxLength: 30 }), { maxLength: 12 }), (lines) => {
        const drafts = readNarration(
          lines.map((words, index) => ({ start: index, end: index + 1, text: words.join(' ') })),
          AREAS,
        );
        for (const draft of drafts) {
          expect(DRAFT_KINDS).toContain(draft.kind);
          expect(draft.fraction === undefined || (draft.fraction >= 0 && draft.fraction <= 1)).toBe(true);
          expect(
            [draft.mm, draft.mm2, draft.days, draft.quantity].every(
              (number) => number === undefined || Number.isFinite(number),
            ),
          ).toBe(true);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('reads four hours without losing its place', () => {
    const hour = Array.from({ length: 1600 }, (_, index): Cue => ({
      start: index * 9,
      end: index * 9 + 9,
      text: index % 2 === 0 ? 'Kitchen. Framing is about half done.' : 'Bath. Mind the open edge there.',
    }));
    const drafts = readNarration(hour, AREAS);
    expect(drafts.filter((draft) => draft.kind === 'progress')).toHaveLength(800);
    expect(drafts.at(-1)).toMatchObject({ kind: 'caution', area: 'Bath' });
  });
});

describe('captions', () => {
  const value = (text: string) => {
    const outcome = readCaptions(text);
    if (!outcome.ok) throw new Error(outcome.problem.message);
    return outcome.value;
  };

  it('come as WebVTT, as SubRip, and as plain text with estimated times', () => {
    expect(
      value(
        'WEBVTT\n\nNOTE made by hand\nnot heard\n\n1\n00:01.254 --> 00:07.010 align:start\n<v Sam>All ' +
          'right,</v>\nMonday &amp; on\n',
      ),
    ).toMatchObject({ format: 'vtt', cues: [{ start: 1.254, end: 7.01, text: 'All right, Monday & on' }] });
    expect(
      value(
        '\uFEFF1\r\n00:00:01,5 --> 00:00:03,000\r\n<i>Hello</i>\r\n\r\n2\r\n00:00:04,000 --> 00:00:02,000\r\nagain',
      ),
    ).toMatchObject({
      format: 'srt',
      cues: [
        { start: 1.5, end: 3, text: 'Hello' },
        { start: 4, end: 4, text: 'again' },
      ],
    });
    expect(value('One thing. Another thing.\nA third')).toMatchObject({
      format: 'txt',
      cues: [{ start: 0, text: 'One thing.' }, { text: 'Another thing.' }, { text: 'A third' }],
    });
  });

  it.each([
    ['nothing at all', '  \n ', 'narration-empty'],
    ['a file of another kind', 'PK\u0003\u0004\u0000\u0000', 'narration-unreadable'],
    ['times that are none', 'WEBVTT\n\nten --> eleven\nhello', 'narration-empty'],
    ['far too much', 'a '.repeat(1_000_001), 'narration-too-long'],
  ])('that are %s are refused with what would be right', (_, text, code) => {
    const outcome = readCaptions(text);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok) expect(outcome.problem.code).toBe(code);
  });

  it('are written so that they are read back, and survive being torn', () => {
    const cue = fc.record({
      start: fc.integer({ min: 0, max: 9000 }),
      length: fc.integer({ min: 1, max: 20 }),
      text: fc
        .array(fc.constantFrom('framing', 'is', 'done', 'half', '🧱'), { minLength: 1, maxLength: 8 })
        .map((words) => words.join(' ')),
    });
    fc.assert(
      fc.property(
        fc.array(cue, { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 0, max: 400 }),
        fc.string({ maxLength: 6 }),
        (list, index, dirt) => {
          const cues = list
            .map(({ start, length, text }) => ({ start, end: start + length, text }))
            .sort((a, b) => a.start - b.start);
          expect(value(writeCaptions(cues)).cues).toEqual(cues);
          const written = writeCaptions(cues);
          const torn = readCaptions(written.slice(0, index) + dirt + written.slice(index + 3));
          if (torn.ok)
            for (const one of torn.value.cues) expect(one.end >= one.start && Number.isFinite(one.start)).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });
});
