import type { Trade } from '../sequence/trades';

/** What a first visit finds beside the work itself. Each kind asks what matters for it and nothing else. */
export const FINDING_KINDS = {
  penetration: {
    label: 'through the wall',
    asks: ['quantity', 'need', 'trade'],
    subject: 'tap, socket, light, vent, pipe',
  },
  service: { label: 'service', asks: ['live', 'need', 'trade'], subject: 'power to the freezers, old gas pipe' },
  refit: { label: 'take down and refit', asks: ['quantity', 'place', 'trade'], subject: 'lamps, post box, radiators' },
  salvage: {
    label: 'salvage',
    asks: ['quantity', 'unit', 'place', 'trade'],
    subject: 'bricks, floor boards, a door',
  },
  damage: {
    label: 'damage',
    asks: ['quantity', 'unit', 'cause', 'remedy', 'allowed', 'unitPrice'],
    subject: 'rot in the sill, cracked render',
  },
  allowance: { label: 'allowance', asks: ['quantity', 'unit', 'unitPrice'], subject: 'tiles, light fittings' },
  'site-choice': { label: 'installer’s call on site', asks: ['options'], subject: 'where the stop valve goes' },
  approval: { label: 'approval needed', asks: ['place', 'leadDays'], subject: 'permit to open the lane' },
  access: { label: 'access', asks: [], subject: 'through the side gate only, 900 mm' },
  neighbour: { label: 'neighbour', asks: [], subject: 'wants three days’ notice of scaffold' },
  boundary: { label: 'boundary', asks: [], subject: 'face stands on the boundary' },
  animals: { label: 'animals', asks: [], subject: 'swallows nest under the eaves until August' },
  parking: { label: 'parking', asks: [], subject: 'one van in the yard' },
} as const satisfies Record<string, { label: string; asks: readonly FindingField[]; subject: string }>;

export type FindingField =
  | 'quantity'
  | 'unit'
  | 'need'
  | 'live'
  | 'trade'
  | 'place'
  | 'cause'
  | 'remedy'
  | 'allowed'
  | 'unitPrice'
  | 'leadDays'
  | 'options';
export type FindingKind = keyof typeof FINDING_KINDS;
/** Of the whole job, wherever one stands when it is seen. */
export const ABOUT_ALL: readonly FindingKind[] = ['parking', 'animals', 'approval'];
export const FINDING_KIND_KEYS = Object.keys(FINDING_KINDS) as FindingKind[];

export interface Finding {
  id: string;
  area: string | null;
  kind: FindingKind;
  subject: string;
  quantity: number | null;
  unit: string;
  /** What a penetration needs (an extension box, a flashing) or how a service is marked. */
  need: string;
  /** Services: live ones stay, dead ones go. */
  live: boolean | null;
  /** Whose thing it is; null where its name tells, or nobody knows. */
  trade: Trade | null;
  /** Where a thing is kept, or who gives an approval. */
  place: string;
  cause: string;
  /** What is done about the cause, or the damage comes again. */
  remedy: string;
  /** How much of the damage is in the price; more is extra. */
  allowed: number | null;
  /** How much of it there was once it was opened; null while nobody has looked. */
  found: number | null;
  foundBy: string;
  /** Minor units for one. */
  unitPrice: number | null;
  leadDays: number | null;
  options: string[];
  /** Choices on site: what was decided, empty while nobody has; and who decided it. */
  answer: string;
  answeredBy: string;
}

/** A choice left to the site: the ways there are, or the one that was taken. */
export const siteChoiceText = ({
  subject,
  options,
  answer,
  answeredBy,
}: Pick<Finding, 'subject' | 'options' | 'answer' | 'answeredBy'>): string =>
  answer
    ? `${subject}: ${answer}${answeredBy ? ` (decided by ${answeredBy})` : ''}`
    : `${subject}: ${options.join(' or ')}`;

const times = (finding: Finding): string =>
  finding.quantity === null ? '' : `${finding.quantity} ${finding.unit ? `${finding.unit} of ` : '× '}`;

const liveWords = (live: boolean | null): string =>
  live === null
    ? 'not known whether it is live; taken for live'
    : live
      ? 'stays live'
      : 'dead, comes out once proved so';

/** What is kept, and how many of it. */
export const keptThing = (finding: Finding): string => `${times(finding)}${finding.subject}`;

/** A finding as a sentence for anybody; money is said by the caller, who knows the currency. */
export function findingText(finding: Finding): string {
  const { kind, subject, need, place, cause, remedy } = finding;
  switch (kind) {
    case 'penetration':
      return `${times(finding)}${subject}${need ? `: ${need}` : ''}`;
    case 'service':
      return `${subject}: ${liveWords(finding.live)}${need ? `, marked ${need}` : ''}`;
    case 'refit':
    case 'salvage':
      return `${keptThing(finding)}${place ? `, kept ${place}` : ', place to keep it not settled'}`;
    case 'damage':
      return [
        finding.quantity === null ? subject : `${subject}, ${finding.quantity} ${finding.unit}`,
        cause ? `, because of ${cause}` : '',
        remedy ? `; ${remedy}` : '',
      ].join('');
    case 'allowance':
      return `${times(finding)}${subject}`;
    case 'site-choice':
      return siteChoiceText(finding);
    case 'approval':
      return `${subject}${place ? ` from ${place}` : ''}${finding.leadDays === null ? '' : `, takes ${finding.leadDays} days`}`;
    default:
      return subject;
  }
}

/** What is still wrong with how a finding was written down; nothing where it is settled. */
export function findingGap(finding: Finding): string | null {
  if (finding.kind === 'damage' && !finding.cause) return 'the cause is not named';
  if (finding.kind === 'damage' && !finding.remedy) return 'nothing is done about the cause';
  if (finding.kind === 'service' && finding.live === null) return 'nobody has proved whether it is live';
  if ((finding.kind === 'refit' || finding.kind === 'salvage') && !finding.place)
    return 'where it is kept is not settled';
  return null;
}
