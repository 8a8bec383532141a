import { given } from '../given';
import { choose, type ChoiceLayers } from './choices';
import type { DraftKind, Reading } from './draft';
import { choiceSaid, daysSaid, fallbackSaid, quantitySaid, subjectSaid } from './fields-said';
import { phasesSaid, tradeSaid } from './lexicon';
import { measuresSaid } from './measures-said';
import { numberAt, partAt } from './numbers';
import { progressSaid } from './progress-said';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import { classOf } from './word-classes';
import type { Word } from './words';

/** How far something is, where no set phrase says it: “nearly all skimmed”, “not a tile on the wall”, “a third of it”. */
export function howFar(texts: readonly string[]): number {
  const text = ` ${texts.join(' ')} `;
  for (let at = 0; at < texts.length; at++) {
    const written = /^(\d{1,3})%$/.exec(texts[at] ?? '');
    if (written) return Math.min(1, Number(written[1]) / 100);
    const number = numberAt(texts, at);
    if (number && /^(?:percent|%|per)$/.test(texts[number.to] ?? '') && number.value <= 100) return number.value / 100;
    const part = partAt(texts, at);
    if (part && part.value < 1 && classOf(texts[part.to] ?? '') !== 'length') return part.value;
    if (number) at = number.to - 1;
  }
  if (/ half(?:way)? /.test(text)) return 0.5;
  if (
    / (?:nearly|almost|all but|practically|basically|pretty much|as good as|just about|bar|apart from|except) /.test(
      text,
    )
  )
    return 0.9;
  if (
    / (?:only (?:just )?|just |barely )?(?:started|begun|starting|got going|made a start|first few) /.test(text) &&
    !/ not /.test(text)
  )
    return 0.1;
  return / (?:not|no|none|nobody|nothing|never|nowhere|yet to|bare) /.test(text) ? 0 : 1;
}

/** The step of a track that is named anywhere in what was said. */
function phaseIn(texts: readonly string[]): { phase: Phase; named: string } | undefined {
  for (let at = 0; at < texts.length; at++) {
    const rest = `${texts.slice(at, at + 5).join(' ')} `;
    const known = phasesSaid.find(({ pattern }) => pattern.test(rest));
    if (known) return { phase: known.phase, named: (known.pattern.exec(rest)?.[0] ?? '').trim() };
  }
  return undefined;
}

/** “Cladding's off on two thirds”: what is off is stripped, not put on. */
const offInstead = (phase: Phase, text: string): Phase =>
  / (?:off|stripped)(?! (?:it|we|the)\b) /.test(text) && (phase === 'cladding' || phase === 'covering')
    ? 'strip'
    : phase;

/** What is wrong with an order is said only where it is likely: an order by itself is none that is late. */
const LIKELY = 0.6;

/** “Two boxes to move up” are two of “boxes to move up”. */
function counted(subject: string, quantity: number | undefined, trade: Trade | undefined): Omit<Reading, 'kind'> {
  const words = subject.split(' ');
  const number = numberAt(words, 0);
  const rest = number?.value === quantity && words[number?.to ?? 0] !== 'of' ? words.slice(number?.to ?? 0) : words;
  return { subject: rest.join(' '), ...given({ trade, quantity }) };
}

const round = (mm: number): number => Math.round(mm * 100) / 100;

/** What is known of a draft beside its kind and place, from the words it was read from. */
export function fieldsOf(
  kind: DraftKind,
  words: readonly Word[],
  layers: ChoiceLayers,
  metric: boolean,
): Omit<Reading, 'kind'> {
  const texts = words.map((word) => word.text);
  const text = ` ${texts.join(' ')} `;
  const subject = subjectSaid(text, kind);
  switch (kind) {
    case 'progress': {
      const [said] = progressSaid(texts);
      if (said) return { subject: said.named, phase: offInstead(said.phase, text), fraction: said.fraction };
      const named = phaseIn(texts);
      return { subject: named?.named ?? subject, fraction: howFar(texts), ...given({ phase: named?.phase }) };
    }
    case 'remaining':
      return counted(subject, quantitySaid(texts), tradeSaid(text));
    case 'scope':
      return { subject, ...given({ stance: choose('stance', texts, layers).value, quantity: quantitySaid(texts) }) };
    case 'measurement': {
      const [size] = measuresSaid(
        words.flatMap((word) => (word.stop === ',' ? [word.text, ','] : [word.text])),
        metric,
        true,
      );
      if (!size) return { subject };
      const { first, second } = size;
      return {
        subject,
        ...given({
          value: first.value,
          unit: first.unit,
          mm: round(first.mm),
          value2: second
            ? second.unit === first.unit
              ? second.value
              : second.mm / (first.unit === 'in' ? 25.4 : 1)
            : undefined,
          mm2: second ? round(second.mm) : undefined,
        }),
      };
    }
    case 'selection':
      return { subject, ...given({ choice: choiceSaid(text) }) };
    case 'order': {
      const { value, sure } = choose('problem', texts, layers);
      return {
        subject,
        ...given({
          days: daysSaid(texts),
          problem: value === 'none' || sure < LIKELY ? undefined : value,
          quantity: quantitySaid(texts),
        }),
      };
    }
    case 'assumption':
      return { subject, ...given({ fallback: fallbackSaid(text) }) };
    case 'decision':
      return { subject, ...given({ by: choose('by', texts, layers).value }) };
    case 'gate':
      return { subject, ...given({ state: choose('state', texts, layers).value }) };
    default:
      return { subject };
  }
}
