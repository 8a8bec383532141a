import type { Reading } from '../narration/draft';
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
    case 'progress': {
      const step = similar(steps, line.phase);
      return step && line.fraction !== undefined
        ? { kind: 'progress', area, phase: step.phase, fraction: line.fraction }
        : {
            kind: 'note',
            area,
            text: `${text}${line.fraction === undefined ? '' : `, ${Math.round(line.fraction * 100)} %`}`,
          };
    }
    case 'remaining':
      return {
        kind: 'remaining',
        area,
        text,
        trade: line.trade ?? steps.find((step) => step.fraction < 1 && step.trade !== 'nobody')?.trade ?? 'carpentry',
        ...(line.quantity === undefined ? {} : { quantity: line.quantity }),
        ...(line.unit === undefined ? {} : { unit: line.unit }),
      };
    case 'measurement': {
      if (line.mm === undefined || line.mm <= 0) return { kind: 'note', area, text };
      const typed = [line.mm, line.mm2]
        .flatMap((mm) => (mm === undefined ? [] : [formatLength(mm, system)]))
        .join(' × ');
      return {
        kind: 'measurement',
        area,
        text,
        mm: line.mm,
        typed,
        ...(line.mm2 === undefined ? {} : { second: line.mm2 }),
      };
    }
    case 'scope':
      return {
        kind: 'scope',
        area,
        text,
        stance: line.stance ?? 'in',
        ...(line.quantity === undefined ? {} : { quantity: line.quantity }),
      };
    case 'assumption':
      return {
        kind: 'assumption',
        area,
        text,
        ...(line.fallback === undefined ? {} : { fallback: line.fallback.slice(0, 200) }),
      };
    case 'selection':
      return {
        kind: 'selection',
        area,
        text,
        ...(line.choice === undefined ? {} : { choice: line.choice.slice(0, 200) }),
      };
    case 'order':
      return {
        kind: 'order',
        area,
        text,
        ...(line.problem === undefined ? {} : { problem: line.problem }),
        ...(line.days === undefined ? {} : { days: line.days }),
      };
    case 'decision':
      return {
        kind: 'decision',
        area,
        text,
        by: line.by ?? 'us',
        ...(/\b(?:no charge|free of charge|for free|on the house)\b/i.test(text) ? { free: true } : {}),
      };
    case 'gate':
      return { kind: 'gate', area, text, ...(line.state === undefined ? {} : { state: line.state }) };
    case 'short':
      return {
        kind: 'short',
        area,
        text,
        ...(line.quantity === undefined ? {} : { quantity: line.quantity }),
        ...(line.unit === undefined ? {} : { unit: line.unit }),
      };
    default:
      return { kind: line.kind, area, text };
  }
}
