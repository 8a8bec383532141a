import type { AreaKind } from '../sites/area';
import type { NamedArea } from './area-aliases';
import type { Cue } from './captions';
import { wordsOf } from './words';

/** What a room or a side of a house is usually called, and what kind of area it is. */
const USUAL: Readonly<Record<string, AreaKind>> = {
  kitchen: 'room',
  scullery: 'room',
  pantry: 'room',
  'dining room': 'room',
  'dining nook': 'room',
  nook: 'room',
  'breakfast room': 'room',
  'great room': 'room',
  'garden room': 'room',
  sunroom: 'room',
  conservatory: 'room',
  'powder bath': 'wet',
  'half bath': 'wet',
  'crawl space': 'room',
  deck: 'ground',
  patio: 'ground',
  terrace: 'ground',
  balcony: 'face',
  backyard: 'ground',
  courtyard: 'ground',
  'living room': 'room',
  'sitting room': 'room',
  'front room': 'room',
  'family room': 'room',
  parlor: 'room',
  parlour: 'room',
  lounge: 'room',
  den: 'room',
  study: 'room',
  office: 'room',
  hall: 'room',
  hallway: 'room',
  'entry hall': 'room',
  entry: 'room',
  entryway: 'room',
  foyer: 'room',
  landing: 'room',
  stairs: 'room',
  bedroom: 'room',
  nursery: 'room',
  bathroom: 'wet',
  bath: 'wet',
  'shower room': 'wet',
  'powder room': 'wet',
  'wet room': 'wet',
  cloakroom: 'wet',
  ensuite: 'wet',
  utility: 'wet',
  'laundry room': 'wet',
  laundry: 'wet',
  'mud room': 'room',
  mudroom: 'room',
  'boiler room': 'room',
  basement: 'room',
  cellar: 'room',
  attic: 'room',
  loft: 'room',
  porch: 'room',
  garage: 'outbuilding',
  shed: 'outbuilding',
  barn: 'outbuilding',
  roof: 'roof',
  yard: 'ground',
  garden: 'ground',
  driveway: 'ground',
  facade: 'face',
  gable: 'face',
  elevation: 'face',
};
/** What tells one from another of its kind. */
const WHICH = new Set(
  (
    'front back rear main master spare guest small big large little middle north south east west upstairs downstairs upper ' +
    'lower'
  ).split(' '),
);
/** What stands before a name where somebody comes to a place; “strip the stairs” is none. */
const COMING = new Set(
  (
    'the a in into to at on up down out over through round around back next now okay ok so and then right this is here ' +
    "here's we're come coming going go start starting begin with inside outside upstairs downstairs first last well so " +
    's are on past'
  ).split(' '),
);
/** So many words are looked at before a name; after such a silence, in seconds, a sentence begins. */
const BEFORE = 4;
const SILENCE = 0.5;
const LONGEST = 2;

const titled = (name: string): string => name.slice(0, 1).toUpperCase() + name.slice(1);

export interface RoomNamed {
  name: string;
  kind: AreaKind;
  /** How often it was said. */
  times: number;
}

/**
 * Rooms and sides that were named and are no areas of the job yet, in the order in which they were first said: on a visit
 * of a house from nothing its areas come from what is told.
 */
export function roomsNamed(cues: readonly Cue[], areas: readonly NamedArea[]): RoomNamed[] {
  const words = wordsOf(cues);
  const textAt = (at: number): string => words[at]?.text ?? '';
  /** Whether a sentence begins at a word, as far as that was said or heard. */
  const begins = (at: number): boolean => (words[at - 1]?.stop ?? '.') !== '' || (words[at]?.gap ?? 0) > SILENCE;
  /** Whether somebody comes to what is named at a word: only words of going stand before it. */
  const comesTo = (at: number): boolean => {
    for (let from = at; from > at - BEFORE; from--) {
      if (begins(from)) return true;
      if (!COMING.has(textAt(from - 1))) return false;
    }
    return true;
  };
  const known = areas.flatMap(({ name, synonyms }) => [name, ...synonyms]).map((name) => name.toLowerCase());
  const found = new Map<string, RoomNamed>();
  for (let at = 0; at < words.length; at++) {
    for (let length = LONGEST; length > 0; length--) {
      const thing = Array.from({ length }, (_, on) => textAt(at + on)).join(' ');
      const kind = USUAL[thing];
      if (!kind) continue;
      const isTold = WHICH.has(textAt(at - 1)) && !begins(at);
      const name = isTold ? `${textAt(at - 1)} ${thing}` : thing;
      const isKnown = known.some((other) => other === name || other.includes(name) || name.includes(other));
      if (!isKnown && comesTo(isTold ? at - 1 : at)) {
        const before = found.get(name);
        found.set(name, { name: titled(name), kind, times: (before?.times ?? 0) + 1 });
      }
      at += length - 1;
      break;
    }
  }
  // “The bedroom”, once somebody speaks of the front bedroom, is that one.
  const names = [...found.keys()];
  return [...found].flatMap(([name, room]) =>
    names.some((other) => other !== name && other.includes(name)) ? [] : [room],
  );
}
