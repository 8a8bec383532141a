import { given } from '../given';
import type { Reading } from '../narration/draft';
import { pattern } from '../pattern';
import { isPassedByName } from '../sequence/inspections';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import { formatLength, type LengthSystem } from '../units/length';
import type { NewObservation } from './observation';
import { similar, type ShortLine } from './shorthand';

export interface RecordTerms {
  steps: readonly { phase: Phase; label: string; trade: Trade; fraction: number }[];
  system: LengthSystem;
}

/**
 * A reading as the record it becomes. A step that this area has not, or that nobody named, becomes a note: nothing
 * said is lost.
 * @param area id of the area it is kept in
 */
export function recordOf(
  line: Reading | Extract<ShortLine, { kind: 'note' | 'short' }>,
  area: string,
  { steps, system }: RecordTerms,
): NewObservation {
  const text = line.subject.slice(0, 600);
  switch (line.kind) {
    case 'progress':
      return progressOrNote(line, area, text, steps);
    case 'remaining': {
      const trade =
        line.trade ?? steps.find((step) => step.fraction < 1 && step.trade !== 'nobody')?.trade ?? 'carpentry';
      return { kind: 'remaining', area, text, trade, ...given({ quantity: line.quantity, unit: line.unit }) };
    }
    case 'measurement':
      return measurementOrNote(line, area, text, system);
    case 'scope':
      return { kind: 'scope', area, text, stance: line.stance ?? 'in', ...given({ quantity: line.quantity }) };
    case 'assumption':
      return { kind: 'assumption', area, text, ...given({ fallback: line.fallback?.slice(0, 200) }) };
    case 'selection':
      return { kind: 'selection', area, text, ...given({ choice: line.choice?.slice(0, 200) }) };
    case 'order':
      return { kind: 'order', area, text, ...given({ problem: line.problem, days: line.days }) };
    case 'decision': {
      // That it costs nothing is said by itself, and not a second time in the text.
      const free = FREE.test(text);
      const decided = free ? text.replace(FREE_BEHIND, '').trim() : text;
      return { kind: 'decision', area, text: decided || text, by: line.by ?? 'us', ...(free ? { free } : {}) };
    }
    case 'gate':
      return { kind: 'gate', area, text, ...given({ state: line.state }) };
    case 'short':
      return { kind: 'short', area, text, ...given({ quantity: line.quantity, unit: line.unit }) };
    default:
      return { kind: line.kind, area, text };
  }
}

const NO_CHARGE = '(?:no charge|free of charge|for free|on the house)';
const FREE = pattern('i', String.raw`\b${NO_CHARGE}\b`);
/** Said behind the rest; a sentence of which it is the end keeps it. */
const FREE_BEHIND = pattern('i', String.raw`(?:[,;]\s*(?:at |with )?|\s+(?:at|with) )${NO_CHARGE}\b`);

/** The step of this area that is named by its own label: “the pipe is about 60 percent”. */
const namedIn = <Step extends { label: string }>(steps: readonly Step[], text: string): Step | undefined => {
  const said = ` ${text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ')} `;
  return steps.find(({ label }) => said.includes(` ${label.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ')} `));
};

/** How far a step is; a note where the area has no such step or no share was said. */
function progressOrNote(
  { phase, fraction, passedBy }: Pick<Reading, 'phase' | 'fraction' | 'passedBy'>,
  area: string,
  text: string,
  steps: RecordTerms['steps'],
): NewObservation {
  const step = similar(steps, phase) ?? namedIn(steps, text);
  // What somebody has to look at is passed by their name; without one it is a word, and passes nothing.
  if (step && isPassedByName(step.phase) && fraction !== undefined)
    return fraction >= 1 && passedBy
      ? { kind: 'progress', area, phase: step.phase, fraction: 1, by: passedBy }
      : { kind: 'note', area, text: `${text}: ${fraction >= 1 ? 'said to be passed, nobody named' : 'not passed'}` };
  if (step && fraction !== undefined) return { kind: 'progress', area, phase: step.phase, fraction };
  return { kind: 'note', area, text: fraction === undefined ? text : `${text}, ${Math.round(fraction * 100)} %` };
}

/** A length or two in the job's own writing; a note where no length was said. */
function measurementOrNote(
  { mm, mm2 }: Pick<Reading, 'mm' | 'mm2'>,
  area: string,
  text: string,
  system: LengthSystem,
): NewObservation {
  if (mm === undefined || mm <= 0) return { kind: 'note', area, text };
  const typed = [mm, mm2].flatMap((length) => (length === undefined ? [] : [formatLength(length, system)])).join(' × ');
  return { kind: 'measurement', area, text, mm, typed, ...given({ second: mm2 }) };
}
