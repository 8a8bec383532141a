import { describe, expect, it } from 'vitest';
import { placesOf } from './places';
import { wordsOf } from './words';

const AREAS = [
  { name: 'Kitchen', synonyms: [] },
  { name: 'Guest bath', synonyms: ['the small bath'] },
  { name: 'Landward face', synonyms: ['back of the house'] },
];

/** Where the speaker is at the last word. */
function endsIn(text: string): string | null {
  const words = wordsOf(
    text.split('. ').map((sentence, index) => ({ start: index * 5, end: index * 5 + 4, text: `${sentence}.` })),
  );
  const place = placesOf(words, AREAS).at(-1) ?? null;
  return place === null ? null : (AREAS[place]?.name ?? '');
}

describe('where the speaker is', () => {
  it.each([
    ['Kitchen. Framing is done', 'Kitchen'],
    ['Okay, guest bath. The tile is in', 'Guest bath'],
    ['Going into the small bath now. Tile is in', 'Guest bath'],
    ['Kitchen. All good. Now over to the guest bath. It is wet', 'Guest bath'],
    ['Out to the back of the house. The boards are up', 'Landward face'],
  ])('“%s”: %s', (text, place) => {
    expect(endsIn(text)).toBe(place);
  });

  it.each([
    ['Guest bath. The kitchen floor tile is the same as here', 'Guest bath'],
    ['Guest bath. The drain runs to the kitchen', 'Guest bath'],
    ['Guest bath. It is the wall behind the kitchen', 'Guest bath'],
  ])('stays where it was when a room only describes a thing: “%s”', (text, place) => {
    expect(endsIn(text)).toBe(place);
  });

  it('is nowhere before a place was named, and everywhere when the whole house is meant', () => {
    expect(endsIn('Good morning')).toBeNull();
    expect(endsIn('Kitchen. Framing is done. Whole house. Sweep it')).toBeNull();
  });

  it('has a place, or none, for every word', () => {
    const words = wordsOf([
      { start: 0, end: 9, text: 'Kitchen. We are in the kitchen and the guest bath is next door.' },
    ]);
    expect(placesOf(words, AREAS)).toHaveLength(words.length);
  });
});
