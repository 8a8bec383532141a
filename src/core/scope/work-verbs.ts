import type { Trade } from '../sequence/trades';

/** What is done on a job, and whose work it usually is; `null` where that depends on the thing. */
const WORK: Readonly<Record<string, Trade | null>> = {
  'take down and refit': 'finish',
  'take down': 'tear-out',
  'take out': 'tear-out',
  'take off': 'tear-out',
  'take up': 'tear-out',
  'tear out': 'tear-out',
  'tear off': 'tear-out',
  'tear down': 'tear-out',
  'rip out': 'tear-out',
  'rip up': 'tear-out',
  'pull out': 'tear-out',
  'pull up': 'tear-out',
  'knock out': 'tear-out',
  'knock down': 'tear-out',
  'knock through': 'tear-out',
  'cut out': 'tear-out',
  'open up': 'tear-out',
  'clear out': 'cleaning',
  gut: 'tear-out',
  strip: 'tear-out',
  demolish: 'tear-out',
  remove: 'tear-out',
  overlay: 'roofing',
  repair: 'carpentry',
  patch: null,
  'make good': null,
  restore: null,
  refinish: null,
  refurbish: null,
  renew: null,
  upgrade: null,
  replace: null,
  swap: null,
  change: null,
  add: null,
  widen: null,
  lower: null,
  raise: null,
  extend: null,
  level: null,
  reroute: null,
  reset: null,
  relocate: null,
  shift: null,
  move: null,
  'put in': null,
  'put up': null,
  'put down': null,
  'put back': null,
  'block up': 'structure',
  'brick up': 'structure',
  rebuild: 'carpentry',
  build: 'carpentry',
  frame: 'carpentry',
  sister: 'carpentry',
  splice: 'carpentry',
  retrim: 'finish',
  hang: 'finish',
  repaint: 'paint',
  paint: 'paint',
  prime: 'paint',
  stain: 'paint',
  limewash: 'paint',
  wallpaper: 'paint',
  sand: null,
  clean: 'cleaning',
  clad: 'roofing',
  reclad: 'roofing',
  reroof: 'roofing',
  insulate: 'insulation',
  board: 'board',
  skim: 'plaster',
  plaster: 'plaster',
  render: 'plaster',
  tile: 'tile',
  retile: 'tile',
  regrout: 'tile',
  waterproof: null,
  lay: null,
  refit: 'finish',
  fit: 'finish',
  install: null,
  repoint: 'structure',
  caulk: null,
  seal: null,
  make: null,
  dig: 'ground',
  excavate: 'ground',
  pour: 'ground',
  rewire: 'wiring',
  wire: 'wiring',
  replumb: 'plumbing',
  plumb: 'plumbing',
  vent: null,
  line: null,
  run: null,
  keep: null,
  protect: 'tear-out',
};

/** The verbs of a line of work, longest first where one begins with another. */
export const WORK_VERBS: readonly (readonly [string, Trade | null])[] = Object.entries(WORK).sort(
  ([one], [other]) => other.split(' ').length - one.split(' ').length,
);

/** Forms that are not made by rule: what was done, and what is being done. */
const IRREGULAR: Readonly<Record<string, string>> = {
  took: 'take',
  taken: 'take',
  tore: 'tear',
  torn: 'tear',
  built: 'build',
  making: 'make',
  rebuilt: 'rebuild',
  laid: 'lay',
  hung: 'hang',
  dug: 'dig',
  kept: 'keep',
  made: 'make',
  putting: 'put',
  cutting: 'cut',
  ran: 'run',
};

/** First words of work verbs. */
const HEADS: ReadonlySet<string> = new Set(WORK_VERBS.map(([verb]) => verb.split(' ')[0] ?? ''));

/** Endings that come off, and what comes on instead: `stripping`, `replaced`, `levelled`, `applies`. */
const ENDINGS: readonly (readonly [RegExp, string])[] = [
  [/([bdglmnprt])\1(?:ing|ed)$/, '$1'],
  [/ing$/, ''],
  [/ing$/, 'e'],
  [/ed$/, ''],
  [/ed$/, 'e'],
  [/ied$/, 'y'],
  [/s$/, ''],
  [/es$/, ''],
];

/** The verb of which a word is a form; undefined where it is of none: `stripping` and `stripped` are `strip`. */
function headOf(word: string): string | undefined {
  if (HEADS.has(word)) return word;
  const irregular = IRREGULAR[word];
  if (irregular && HEADS.has(irregular)) return irregular;
  return ENDINGS.map(([ending, instead]) => (ending.test(word) ? word.replace(ending, instead) : '')).find((base) =>
    HEADS.has(base),
  );
}

export interface WorkVerb {
  verb: string;
  trade: Trade | null;
  /** How many words it takes. */
  words: number;
}

/**
 * The work verb that begins at a word, in whatever form: `tearing out`, `to be replaced` at its last word.
 * @param words small letters
 */
export function workVerbAt(words: readonly string[], at: number): WorkVerb | undefined {
  const head = headOf(words[at] ?? '');
  if (!head) return undefined;
  for (const [verb, trade] of WORK_VERBS) {
    const [first, ...others] = verb.split(' ');
    if (first === head && others.every((word, on) => words[at + 1 + on] === word))
      return { verb, trade, words: 1 + others.length };
  }
  return undefined;
}
