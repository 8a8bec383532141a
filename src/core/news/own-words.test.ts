import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { DATE_LANGUAGES, dateWordsOf } from '../units/date-languages';
import { ENGLISH, writeDatesIn } from '../units/date-words';
import { addDays, formatDay, longDay } from '../units/day';
import type { Draft } from './news';
import { daysNamed, draftText, onlyWhatIsSure, textChanges, unsettled, withOwnWords, type OwnWords } from './own-words';
import { sayAnotherDay, saysDay } from './said-days';

const ON = '2027-03-09';
const draft: Draft = {
  title: 'News',
  parts: [
    {
      key: 'opening',
      heading: '',
      lines: [
        { key: 'share', text: 'Half is done.' },
        { key: 'end', text: 'We end on Fri 9 Apr.' },
      ],
    },
    { key: 'done', heading: 'Done', lines: [{ key: 'done:k', text: 'Kitchen: board finished.' }] },
  ],
};
const days = [
  { key: 'end', what: 'the end of the work', day: '2027-04-09' },
  { key: 'k:cabinets', what: 'Kitchen · cabinets', day: '2027-03-11' },
];
const own = (over: Partial<OwnWords> & Pick<OwnWords, 'line'>): OwnWords => ({
  words: '',
  was: '',
  written: ON,
  days: [],
  ...over,
});

describe('words of one’s own in a draft', () => {
  it('go out in place of a line, leave one out, or stand after the opening', () => {
    const parts = withOwnWords(
      draft,
      [
        own({ line: 'end', words: 'We are nearly there.', was: 'We end on Fri 9 Apr.' }),
        own({ line: 'done:k', was: 'Kitchen: board finished.' }),
        own({ line: 'own:1', words: 'Come by at ten.' }),
      ],
      days,
    );
    expect(draftText(parts)).toBe('Half is done. We are nearly there.\n\nCome by at ten.');
    expect(unsettled(parts)).toEqual([]);
  });

  it('are kept and asked about where the line they stand for says something else now, or is gone', () => {
    const parts = withOwnWords(
      draft,
      [
        own({ line: 'end', words: 'Soon.', was: 'We end on Fri 2 Apr.' }),
        own({ line: 'done:s', words: 'The study looks fine.', was: 'Study: board finished.' }),
        own({ line: 'done:x', was: 'Hall: paint finished.' }),
      ],
      days,
    );
    expect(unsettled(parts).map(({ text, changed }) => [text, changed])).toEqual([
      ['Soon.', { was: 'We end on Fri 2 Apr.', now: 'We end on Fri 9 Apr.' }],
      ['The study looks fine.', { was: 'Study: board finished.', now: '' }],
    ]);
    expect(draftText(parts)).toContain('Half is done. Soon.');
  });

  it('are asked about where a day they name is another now', () => {
    const words = 'I am there on Thursday when the cabinets go in.';
    const line = own({ line: 'own:1', words, days: daysNamed(words, days, ON) });
    expect(line.days).toEqual([days[1]]);
    const still = withOwnWords(draft, [line], days);
    expect(unsettled(still)).toEqual([]);
    const moved = unsettled(withOwnWords(draft, [line], [{ ...days[1]!, day: '2027-03-22' }]));
    expect(moved.map((shown) => shown.moved)).toEqual([
      [{ what: 'Kitchen · cabinets', from: '2027-03-11', to: '2027-03-22' }],
    ]);
    expect(unsettled(withOwnWords(draft, [line], []))[0]?.moved[0]?.to).toBeNull();
    // A paper asks nobody: it says only what is sure.
    expect(draftText(onlyWhatIsSure(still))).toContain(words);
    expect(draftText(onlyWhatIsSure(withOwnWords(draft, [line], [])))).toBe(draftText(withOwnWords(draft, [], [])));
  });

  it('tell line by line what differs between two texts', () => {
    expect(textChanges('A is so. B is so.\n\nDone\n- one', 'A is so. B is not.\n\nDone\n- one\n- two')).toEqual({
      gone: ['B is so.'],
      come: ['B is not.', '- two'],
    });
    expect(textChanges('same', 'same')).toEqual({ gone: [], come: [] });
  });
});

describe('a day in a text', () => {
  afterEach(() => writeDatesIn(ENGLISH));

  it.each([
    'on Thu 11 Mar',
    'Thursday 11 March',
    'thursday, 11 march',
    'the 11th of March',
    'March 11',
    'Mar. 11th',
    'Thursday the 11th',
    'this Thursday',
    'Thu morning',
  ])('is named by “%s”', (text) => expect(saysDay(text, '2027-03-11', ON)).toBe(true));

  it.each(['on Friday', '11 May', '111 March', 'Thursday 18 March', 'March', '11', 'Thursdays', 'Thu 4 Mar'])(
    'is not named by “%s”',
    (text) => expect(saysDay(text, '2027-03-11', ON)).toBe(false),
  );

  it('is no weekday alone where it lies a week or more ahead, or behind', () => {
    expect(saysDay('on Thursday', '2027-03-18', ON)).toBe(false);
    expect(saysDay('on Thursday', '2027-03-04', ON)).toBe(false);
  });

  it.each(DATE_LANGUAGES)(
    'is found as this program and people write it in %s, and another is put in its place',
    (language) => {
      writeDatesIn(dateWordsOf(language, 24));
      fc.assert(
        fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 200 }), (ahead, later) => {
          const day = addDays(ON, ahead);
          const other = addDays(day, later);
          for (const said of [formatDay(day), longDay(day)]) {
            const text = `We come on ${said}, at ten.`;
            expect(saysDay(text, day, ON)).toBe(true);
            expect(sayAnotherDay(text, day, other, ON)).toBe(`We come on ${longDay(other)}, at ten.`);
          }
        }),
      );
    },
  );
});
