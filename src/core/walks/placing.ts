import { pattern } from '../pattern';
import { partySaid } from '../narration/fields-said';
import { lineText } from '../scope/brief';
import { FINDING_KINDS, type FindingKind } from '../scope/finding';
import { linesSaid } from '../scope/lines-said';
import { saidText, saidWords, startOf } from '../scope/said-words';
import type { ScopeDraft } from '../scope/scope-line';
import { STANCES, type Inclusion } from '../sites/area';
import type { NewObservation } from './observation';

/** Where a record of a first visit goes at once, and as what. */
type Placing =
  | { filedAs: 'scope'; line: ScopeDraft }
  | { filedAs: 'finding'; finding: { kind: FindingKind; subject: string; place: string } }
  | { filedAs: 'assumption' | 'selection' };

/** A record with its place; without one it waits until somebody decides what it becomes. */
export interface Placed {
  fresh: NewObservation;
  placing?: Placing;
}

const BROKEN = pattern(
  'i',
  String.raw`\b(?:rot|rots|rotten|rotted|mould|mold|cracks?|cracked|leaks?|leaking|leaked|burst|broken|rust|rusted|termites?|`,
  String.raw`woodworm|beetle|collapsed|sagging|dropped|perished|blown|crumbling|buckled|soaked|riddled)\b`,
);
const SERVICE = /\b(?:wires?|wiring|cables?|pipes?|tank|gas|main|drain|sewer|conduit|flue|duct)\b/i;
const WET = /\b(?:wet|damp|water|daylight|holes?|gone|missing|loose|soft)\b/i;

/** What a surprise is, where its words tell. */
function foundKind(text: string): FindingKind | undefined {
  if (BROKEN.test(text)) return 'damage';
  if (SERVICE.test(text)) return 'service';
  return WET.test(text) ? 'damage' : undefined;
}

const ABOUT_HOUSEHOLD: readonly (readonly [FindingKind, RegExp])[] = [
  ['animals', /\b(?:dogs?|cats?|bees|bats?|birds?|nests?|swallows|horses?|calves|cattle|hens?|chickens|fish)\b/i],
  ['parking', /\b(?:park|parking|driveway|dumpster|skip|van|truck|trailer)\b/i],
  [
    'neighbour',
    /\b(?:neighbou?rs?|next door|upstairs|downstairs|flat (?:above|below)|over the wall|tenants?|folks?)\b/i,
  ],
  ['access', /\b(?:gate|keys?|door code|elevator|lift|stairs?|lane|alley|access|path)\b/i],
];

/** What was said of the household, as a finding; undefined where it is none that a first visit writes down. */
const householdKind = (text: string): FindingKind | undefined =>
  ABOUT_HOUSEHOLD.find(([, known]) => known.test(text))?.[0];

const PARTIES: Readonly<Partial<Record<ReturnType<typeof partySaid>, string>>> = {
  engineer: 'the engineer',
  neighbour: 'the neighbour',
  client: 'the client',
};

/** An approval that is waited for, from whom where that was said. */
function approval(words: string): Placing {
  const place = PARTIES[partySaid(words)] ?? '';
  return { filedAs: 'finding', finding: { kind: 'approval', subject: thingSaid(words), place } };
}

/** A finding's subject has at most so many letters. */
const LONGEST = 200;

/** What was said without what stands before it: “there’s”, “we need”. */
function thingSaid(words: string): string {
  const said = saidWords(words);
  const thing = said.slice(startOf(said));
  return saidText(thing.length > 1 ? thing : said).slice(0, LONGEST);
}

const finding = (kind: FindingKind | undefined, words: string): Placing | undefined =>
  kind && { filedAs: 'finding', finding: { kind, subject: thingSaid(words), place: '' } };

/** A line of scope for what belongs to a step where none is set down yet. */
const lineFor = (verb: string, subject: string, stance: Inclusion): Placing => ({
  filedAs: 'scope',
  line: { stance, verb, subject: subject.slice(0, LONGEST), dependsOn: '', place: '' },
});

const BELIEVES = pattern(
  'i',
  '^(?:assum(?:e|ing)|guess(?:ing)?|bet(?:ting)?|hop(?:e|ing)|think(?:ing)?|figur(?:e|ing)|believe|expect(?:ing)?|',
  "reckon(?:ing)?) (?:that |it's |is )?",
);

/** What is believed shows itself at a step, what was chosen is used in one: without steps both are lines of scope. */
function ofStep(fresh: Extract<NewObservation, { kind: 'assumption' | 'selection' }>, words: string): Placing {
  return fresh.kind === 'assumption'
    ? lineFor('assume', thingSaid(words).replace(BELIEVES, ''), 'conditional')
    : lineFor('use', fresh.choice ?? thingSaid(words), 'in');
}

function placingOf(fresh: NewObservation, words: string, hasSteps: boolean): Placing | undefined {
  switch (fresh.kind) {
    case 'surprise':
      return finding(foundKind(words), words);
    case 'household':
      return finding(householdKind(words), words);
    case 'gate':
      return fresh.state === undefined || fresh.state === 'waiting' ? approval(words) : undefined;
    case 'assumption':
    case 'selection':
      return hasSteps ? { filedAs: fresh.kind } : ofStep(fresh, words);
    default:
      return undefined;
  }
}

const scopeOf = (area: string, words: string, stance: Inclusion): Placed[] =>
  linesSaid(words, stance).map((line) => ({
    fresh: { kind: 'scope', area, text: lineText({ ...line, quantity: null, unit: null }), stance },
    placing: { filedAs: 'scope', line },
  }));

/**
 * What one thing said on a first visit becomes: lines of scope as many as it says, a finding, an assumption, a selection;
 * all else stays a record.
 *
 * @param words as they were said
 * @param hasSteps whether work is set down for the area yet
 */
export function placedOf(fresh: NewObservation, words: string, hasSteps: boolean): Placed[] {
  if (fresh.kind === 'scope') return scopeOf(fresh.area, words, fresh.stance);
  // Before anything is begun, what is still to do is what is to be done.
  if (fresh.kind === 'remaining') return scopeOf(fresh.area, words, 'in');
  const placing = placingOf(fresh, words, hasSteps);
  return [{ fresh, ...(placing ? { placing } : {}) }];
}

/** What a record becomes, in a line; undefined where it stays a record. */
export function placedWords({ fresh, placing }: Placed): string | undefined {
  if (!placing) return undefined;
  if (placing.filedAs === 'scope') {
    const { line } = placing;
    const said = lineText({ ...line, quantity: line.quantity ?? null, unit: line.unit ?? null });
    return [`${STANCES[line.stance]}: ${said}`, line.dependsOn && `depends on ${line.dependsOn}`, line.place]
      .filter(Boolean)
      .join(' · ');
  }
  if (placing.filedAs === 'finding') return `${FINDING_KINDS[placing.finding.kind].label}: ${placing.finding.subject}`;
  return `${placing.filedAs}: ${'text' in fresh ? (fresh.text ?? '') : ''}`;
}
