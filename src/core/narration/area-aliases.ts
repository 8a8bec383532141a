import { pattern } from '../pattern';
import { wordsOf } from './words';

/** An area as the speaker may call it. */
export interface NamedArea {
  name: string;
  synonyms: readonly string[];
}

/**
 * How an area was called: by its name, by a name somebody gave it, by a part of its name that no other area has, by what
 * such a room is also called, or the job as a whole.
 */
type Called = 'name' | 'given' | 'part' | 'kin' | 'whole';

export interface Alias {
  parts: readonly string[];
  /** Index of the area; null for the job as a whole. */
  area: number | null;
  called: Called;
}

/** Rooms that people call by one another's names. Parted by semicolons. */
const KIN = [
  'hall;hallway;entry;foyer;lobby;entrance;entrance hall;front hall;passage;corridor;vestibule;entryway',
  'landing;upstairs hall;upper hall;half landing',
  'bathroom;bath;main bathroom;family bathroom;hall bath;washroom;main bath',
  'shower room;shower;wet room',
  'toilet;loo;wc;cloakroom;cloaks;powder room;half bath;downstairs toilet;downstairs loo;guest toilet',
  'living room;lounge;sitting room;front room;parlour;parlor;family room;great room;den;living area;saloon;drawing room',
  'dining room;dining area;breakfast room;nook',
  'kitchen;galley;kitchenette',
  'scullery;back kitchen;utility;utility room;laundry;laundry room;wash house;wash room;mud room;mudroom;boot room;back hall',
  'pantry;larder;cold room;cold cellar;store;store room',
  'study;office;library;work room',
  'basement;cellar;downstairs;crawl space',
  'loft;attic;roof space;roof void',
  'bedroom;sleeping room',
  'main bedroom;primary bedroom;master bedroom;master;primary suite;master suite;big bedroom;owner suite',
  'ensuite;en suite;primary bath;master bath;owner bath;guest bath;guest ensuite;master toilet;attached toilet',
  'nursery;kids room;children room;bunk room;playroom',
  'guest room;guest suite;spare room;spare bedroom;guest bedroom',
  'stairs;stair;staircase;stairwell;steps',
  'closet;wardrobe;dressing room;walk in',
  'porch;front porch;front step;stoop',
  'conservatory;sunroom;sun room;garden room;orangery;extension',
  'deck;terrace;patio;verandah;veranda;balcony;roof deck',
  'yard;courtyard;back yard;backyard;garden;back garden;green;back green;rear yard',
  'drive;driveway;car park;front drive;parking;forecourt',
  'side path;side passage;side yard;walkway;alley;ginnel;side of the house',
  'shed;outhouse;outbuilding;lean to;workshop',
  'garage;carport',
  'roof;main roof;slates',
  'boiler room;furnace room;mechanical room;plant room;boiler house',
].map((group) => group.split(';'));
/** One side of a building, whatever it is called. */
const SIDES = ['side', 'face', 'elevation', 'wall', 'front', 'facade', 'gable', 'end'];
const SIDE_KIN: readonly (readonly string[])[] = [
  ['rear', 'back', 'garden'],
  ['front', 'street', 'main'],
];
/** Words of a name that tell no area by themselves. */
const PLAIN = new Set(
  (
    'room rooms side face wall end area the of and main old new upper lower left right first second third one two three ' +
    'front back rear north south east west big little small house unit level floor inside outside big 1 2 3 4 in'
  ).split(' '),
);
const WHOLE = [
  'whole job',
  'whole house',
  'whole place',
  'whole site',
  'whole building',
  'whole flat',
  'whole unit',
  'whole thing',
  'whole lot',
  'whole project',
  'whole apartment',
  'entire house',
  'entire job',
  'house overall',
  'job overall',
  'full flat',
  'in general',
  'general',
  'generally',
  'overall',
  'all floors',
  'every room',
  'everywhere else',
  'last thing',
  'last words',
  'last of all',
  'one more thing',
  'for everybody',
  'for everyone',
  'what else',
  'for all of it',
  'for the lot',
  'job as a whole',
  'any room',
  'house as a whole',
  'rest of it',
].map((text) => text.split(' '));

const partsOf = (name: string): string[] => {
  const parts = wordsOf([{ start: 0, end: 0, text: name }]).map((word) => word.text);
  return parts.length > 1 && /^(?:the|our|my)$/.test(parts[0] ?? '') ? parts.slice(1) : parts;
};

/** Ways of calling an area by their first word, the longest first. */
type Aliases = ReadonlyMap<string, readonly Alias[]>;

/** Worked out once for the areas of a job: they are asked for at every line that is said. */
const worked = new WeakMap<readonly NamedArea[], Aliases>();

/** Every way in which an area of a job may be called. */
export function aliasesOf(areas: readonly NamedArea[]): Aliases {
  const known = worked.get(areas) ?? workedOut(areas);
  worked.set(areas, known);
  return known;
}

function workedOut(areas: readonly NamedArea[]): Aliases {
  const known = new Map<string, Alias>();
  const add = (parts: readonly string[], area: number | null, called: Called): void => {
    const key = parts.join(' ');
    if (parts.length > 0 && !known.has(key)) known.set(key, { parts, area, called });
  };
  areas.forEach((area, index) => add(partsOf(area.name), index, 'name'));
  areas.forEach((area, index) => area.synonyms.forEach((name) => add(partsOf(name), index, 'given')));
  for (const parts of WHOLE) add(parts, null, 'whole');
  const own = areas.map(
    (area) => new Set([area.name, ...area.synonyms].flatMap(partsOf).filter((word) => word !== "'s")),
  );
  areas.forEach((area, index) => {
    const parts = partsOf(area.name);
    for (const [at, word] of parts.entries()) {
      if (word === "'s" || PLAIN.has(word) || own.some((words, other) => other !== index && words.has(word))) continue;
      add([word], index, 'part');
      if (parts[at + 1] === "'s") add([word, "'s"], index, 'part');
    }
    sideNames(parts).forEach((name) => add(name, index, 'kin'));
  });
  const heads = areas.map((area) => kinOf([area.name, ...area.synonyms]));
  KIN.forEach((group, at) => {
    const these = heads.flatMap((kin, index) => (kin.has(at) ? [index] : []));
    const [only] = these;
    if (these.length === 1 && only !== undefined) for (const name of group) add(partsOf(name), only, 'kin');
  });
  const aliases = new Map<string, Alias[]>();
  for (const alias of known.values()) {
    const first = alias.parts[0] ?? '';
    aliases.set(first, [...(aliases.get(first) ?? []), alias]);
  }
  for (const list of aliases.values()) list.sort((a, b) => b.parts.length - a.parts.length);
  return aliases;
}

/** The groups of rooms that a name belongs to: by the whole of it, else by how it ends. */
function kinOf(names: readonly string[]): Set<number> {
  const found = new Set<number>();
  for (const name of names) {
    const words = partsOf(name)
      .filter((word) => word !== "'s")
      .join(' ');
    let longest = 0;
    KIN.forEach((group) => {
      for (const member of group) if (` ${words}`.endsWith(` ${member}`)) longest = Math.max(longest, member.length);
    });
    KIN.forEach((group, at) => {
      if (group.some((member) => member.length === longest && ` ${words}`.endsWith(` ${member}`))) found.add(at);
    });
  }
  return found;
}

/** What kind of place an area is, by its names: what is said there tells a kitchen from a roof. */
export type AreaKind =
  | 'hall'
  | 'bath'
  | 'living'
  | 'kitchen'
  | 'service'
  | 'bedroom'
  | 'stairs'
  | 'outside'
  | 'roof'
  | 'face'
  | 'cellar'
  | 'whole'
  | 'other';
export const AREA_KINDS: readonly AreaKind[] = [
  'hall',
  'bath',
  'living',
  'kitchen',
  'service',
  'bedroom',
  'stairs',
  'outside',
  'roof',
  'face',
  'cellar',
  'whole',
  'other',
];
const KIND_WORDS: readonly (readonly [AreaKind, RegExp])[] = [
  ['face', /\b(?:face|facade|elevation|gable|front|cheeks?|wall|slope|side)$|\b(?:dormer|gable)\b/],
  ['bath', /\b(?:bath|bathroom|shower|toilet|loo|wc|cloak|cloakroom|powder|ensuite|en suite|wet room|washroom)\b/],
  ['roof', /\b(?:roof|slates|pitch|valley|bellcote|chimney)\b/],
  ['cellar', /\b(?:basement|cellar|subfloor|crawl|under house)\b/],
  ['stairs', /\b(?:stairs?|staircase|stairwell|steps)\b/],
  ['hall', /\b(?:hall|hallway|foyer|entry|lobby|landing|porch|passage|corridor|vestibule|close)\b/],
  ['kitchen', /\b(?:kitchen|kitchenette|galley|pantry|larder)\b/],
  [
    'service',
    /\b(?:utility|laundry|scullery|boiler|furnace|plant|mud ?room|mechanical|wash|panel|riser|cupboard|store)\b/,
  ],
  ['bedroom', /\b(?:bed|bedroom|bunk|nursery|closet|dressing|wardrobe|suite|kids|children|sleeping)\b/],
  [
    'living',
    pattern(
      '',
      String.raw`\b(?:living|lounge|dining|sitting|parlou?r|den|library|study|office|great room|`,
      String.raw`family|drawing|nook|saloon|sunroom|loft|attic)\b`,
    ),
  ],
  [
    'outside',
    pattern(
      '',
      String.raw`\b(?:yard|garden|drive|driveway|terrace|patio|deck|path|lane|lawn|green|garage|shed|courtyard|`,
      String.raw`forecourt|verandah|balcony|footings|drain|churchyard|pond)\b`,
    ),
  ],
];
export const areaKindOf = (area: NamedArea): AreaKind => {
  for (const name of [area.name, ...area.synonyms]) {
    const plain = name.toLowerCase();
    const found = KIND_WORDS.find(([, words]) => words.test(plain));
    if (found) return found[0];
  }
  return 'other';
};

/** `Garden Face` is also the garden side, and the back; `Street Front` the front of the house. */
function sideNames(parts: readonly string[]): string[][] {
  const end = parts.at(-1) ?? '';
  if (!SIDES.includes(end) || parts.length < 2) return [];
  const which = parts.slice(0, -1);
  const names = SIDES.filter((side) => side !== end && side !== 'wall' && side !== 'end').map((side) => [
    ...which,
    side,
  ]);
  const kin = SIDE_KIN.find((group) => which.some((word) => group.includes(word)));
  for (const word of kin ?? [])
    if (!which.includes(word))
      for (const side of ['side', 'face', 'elevation', 'of the house']) names.push([word, ...side.split(' ')]);
  return names;
}
