import { describe, expect, it } from 'vitest';
import { aliasesOf } from './area-aliases';
import { clausesOf, cutsOf } from './clauses';
import { learnt } from './learnt';
import { lookAt } from './looked';
import { mentionsIn, namedIn, placesOf } from './places';
import { wordsOf } from './words';

const AREAS = [
  { name: 'Kitchen', synonyms: [] },
  { name: 'Guest bath', synonyms: ['the small bath'] },
  { name: 'Landward face', synonyms: ['back of the house'] },
  { name: 'Living room', synonyms: [] },
];

/** Where the speaker is at each clause. */
function places(text: string): (string | null)[] {
  const words = wordsOf(
    text.split('. ').map((sentence, index) => ({ start: index * 5, end: index * 5 + 4, text: `${sentence}.` })),
  );
  const mentions = mentionsIn(words, AREAS);
  const looked = lookAt(words);
  const cuts = cutsOf(looked, namedIn(mentions), learnt().cut);
  return placesOf({ ...looked, cuts }, clausesOf(cuts), mentions, AREAS, learnt().place).map(({ area }) =>
    area === null ? null : (AREAS[area]?.name ?? ''),
  );
}
const endsIn = (text: string): string | null => places(text).at(-1) ?? null;

describe('where the speaker is', () => {
  it.each([
    ['Kitchen. Framing is done', 'Kitchen'],
    ['Okay, guest bath. The tile is in', 'Guest bath'],
    ['Going into the small bath now. Tile is in', 'Guest bath'],
    ['Kitchen. All good. Now over to the guest bath. It is wet', 'Guest bath'],
    ['Out to the back of the house. The boards are up', 'Landward face'],
    ['Kitchen. It is wet. Through to the lounge. The boards are up', 'Living room'],
  ])('“%s”: %s', (text, place) => {
    expect(endsIn(text)).toBe(place);
  });

  it.each([
    ['Guest bath. The kitchen floor tile is the same as here', 'Guest bath'],
    ['Guest bath. It wants the same tile as the kitchen', 'Guest bath'],
    ['Guest bath. It is the wall behind the kitchen', 'Guest bath'],
  ])('stays where it was when a room only describes a thing: “%s”', (text, place) => {
    expect(endsIn(text)).toBe(place);
  });

  it('is nowhere before a place was named, and everywhere when the whole house is meant', () => {
    expect(endsIn('Good morning')).toBeNull();
    expect(endsIn('Kitchen. Framing is done. Whole house. Sweep it')).toBeNull();
  });
});

describe('what an area is also called', () => {
  const calls = (areas: typeof AREAS, name: string): (number | null)[] =>
    [...aliasesOf(areas).values()].flat().flatMap(({ parts, area }) => (parts.join(' ') === name ? [area] : []));

  it('is what such a room is called, where only one of the job is meant by it', () => {
    expect(calls(AREAS, 'lounge')).toEqual([3]);
    expect(calls(AREAS, 'back of the house')).toEqual([2]);
    expect(calls([...AREAS, { name: 'Lounge', synonyms: [] }], 'lounge')).toEqual([4]);
    expect(calls([...AREAS, { name: 'Sitting room', synonyms: [] }], 'lounge')).toEqual([]);
  });
});
