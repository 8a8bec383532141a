import { pattern } from '../pattern';
import { partySaid } from '../narration/fields-said';
import { lineText } from '../scope/brief';
import { FINDING_KINDS, type FindingKind } from '../scope/finding';
import { linesSaid } from '../scope/lines-said';
import type { ScopeDraft } from '../scope/scope-line';
import { STANCES } from '../sites/area';
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
  inspection: 'the inspection office',
  authority: 'the authority',
  neighbour: 'the neighbour',
  client: 'the client',
};

/** An approval that is waited for, from whom where that was said. */
function approval(text: string): Placing {
  const place = PARTIES[partySaid(text)] ?? '';
  return { filedAs: 'finding', finding: { kind: 'approval', subject: text.slice(0, 120), place } };
}

const finding = (kind: FindingKind | undefined, text: string): Placing | undefined =>
  kind && { filedAs: 'finding', finding: { kind, subject: text.slice(0, 120), place: '' } };

function placingOf(fresh: NewObservation, hasSteps: boolean): Placing | undefined {
  switch (fresh.kind) {
    case 'surprise':
      return finding(foundKind(fresh.text), fresh.text);
    case 'household':
      return finding(householdKind(fresh.text), fresh.text);
    case 'gate':
      return fresh.state === undefined || fresh.state === 'waiting' ? approval(fresh.text) : undefined;
    // Both show themselves at a step: where no work is set down yet they wait for it.
    case 'assumption':
    case 'selection':
      return hasSteps ? { filedAs: fresh.kind } : undefined;
    default:
      return undefined;
  }
}

/**
 * What one thing said on a first visit becomes: lines of scope as many as it says, a finding, an assumption, a selection;
 * all else stays a record.
 *
 * @param words as they were said
 * @param hasSteps whether work is set down for the area yet
 */
export function placedOf(fresh: NewObservation, words: string, hasSteps: boolean): Placed[] {
  if (fresh.kind === 'scope')
    return linesSaid(words, fresh.stance).map((line) => ({
      fresh: { ...fresh, text: lineText({ ...line, quantity: null, unit: null }) },
      placing: { filedAs: 'scope', line },
    }));
  const placing = placingOf(fresh, hasSteps);
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
