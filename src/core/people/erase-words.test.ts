import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eraser, wordKind } from './erase-words';

const erase = eraser(['Ida Marrow', 'Marrow', 'ida@marrow.example', '0555 0142'], 'Somebody 3');

describe('words that name somebody', () => {
  it.each([
    ['Ida Marrow', 'name'],
    ['Ada', 'name'],
    ['Al', undefined],
    ['paint', undefined],
    ['--', undefined],
    ['ida@marrow.example', 'mail'],
    ['+44 20 555 01', 'phone'],
    ['1234', undefined],
  ])('%s is %s', (word, kind) => expect(wordKind(word)).toBe(kind));

  it.each([
    ['Ida  Marrow came; Marrow’s key.', 'Somebody 3 came; Somebody 3’s key.', 2],
    ['the Marrows and marrow soup', 'the Marrows and marrow soup', 0],
    ['write to IDA@Marrow.example.', 'write to an address.', 1],
    [
      'not to frida@marrow.example or ida@marrow.example.org',
      'not to frida@marrow.example or ida@marrow.example.org',
      0,
    ],
    ['call 0555-0142 or 05550142, not 0555 01423', 'call a number or a number, not 0555 01423', 2],
    ['{"client":"Ida Marrow","phone":"0555 0142"}', '{"client":"Somebody 3","phone":"a number"}', 2],
  ])('are taken out of “%s”', (text, left, times) => expect(erase(text)).toEqual({ text: left, times }));

  it('are gone from any text that is gone through, and a second time nothing is found', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('Ida Marrow', 'Marrow', ' ', ', ', 'x', '0555 0142', '\n', '"')),
        (parts) => {
          const once = erase(parts.join(''));
          expect(erase(once.text)).toEqual({ text: once.text, times: 0 });
        },
      ),
    ));

  it('leave every text alone in which none of them is', () =>
    fc.assert(fc.property(fc.string(), (text) => erase(text).text === text || erase(text).times > 0)));
});
