import { TRADES } from '../sequence/trades';
import { STANCES } from '../sites/area';
import { IN_WALL_KINDS, type Observation, type ObservationKind } from './observation';

/** What a kind of record is called on screen. */
export const KIND_WORDS: Readonly<Record<ObservationKind, string>> = {
  progress: 'progress',
  remaining: 'still to do',
  recheck: 'looked at again',
  'selection-check': 'check',
  note: 'note',
  caution: 'caution',
  picture: 'picture',
  marks: 'marks',
  measurement: 'size',
  surprise: 'surprise',
  decision: 'decided',
  scope: 'scope',
  assumption: 'to be checked',
  selection: 'chosen',
  order: 'order',
  gate: 'inspection',
  household: 'household',
  short: 'need material',
  check: 'check before cover',
  'in-wall': 'in the wall',
  withdrawal: 'taken back',
};

/** A counted thing in words: “3 pieces backing”, “2 boxes”, “the collar”. */
export const countedWords = ({
  quantity,
  unit,
  text,
}: {
  quantity?: number | undefined;
  unit?: string | undefined;
  text: string;
}): string => [quantity, unit, text].filter(Boolean).join(' ');

/** A record as one line, the way it is read back; empty for those that show in a place of their own. */
export function recordWords(seen: { kind: ObservationKind }): string {
  const one = seen as Observation;
  switch (one.kind) {
    case 'remaining':
      return `${countedWords(one)} · ${TRADES[one.trade].toLowerCase()}`;
    case 'short':
      return countedWords(one);
    case 'measurement':
      return `${one.text}: ${one.typed}`;
    case 'picture':
      return one.text ?? 'picture';
    case 'scope':
      return `${STANCES[one.stance]}: ${one.text}`;
    case 'assumption':
      return `${one.text}${one.fallback ? `; else ${one.fallback}` : ''}`;
    case 'selection':
      return `${one.text}${one.choice && !one.text.includes(one.choice) ? `: ${one.choice}` : ''}`;
    case 'order': {
      const more = [one.problem, one.days === undefined ? undefined : `${one.days} days`].filter(Boolean);
      return more.length > 0 ? `${one.text} (${more.join(', ')})` : one.text;
    }
    case 'decision':
      return `${one.text} (${[one.name ?? one.by, one.free ? 'at no charge' : ''].filter(Boolean).join(', ')})`;
    case 'gate':
      return `${one.text}${one.state ? ` (${one.state})` : ''}`;
    case 'in-wall':
      return `${IN_WALL_KINDS[one.what]}${one.text ? `, ${one.text}` : ''}, wall ${one.wall + 1}`;
    case 'note':
    case 'caution':
    case 'surprise':
    case 'household':
      return one.text;
    default:
      return '';
  }
}
