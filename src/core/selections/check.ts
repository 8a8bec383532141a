import type { SelectionVerdict } from '../walks/observation';
import type { SelectionState } from './states';

/** What was found when something came, held against what was ordered. */
export interface Check {
  verdict: SelectionVerdict;
  /** What it came as, what is broken, what is not there. */
  text: string;
  /** How many are not right; undefined for all. */
  quantity?: number;
}

/** What follows from a check. */
export interface AfterCheck {
  state: SelectionState;
  /** How many have to be ordered again; null where nothing has. */
  again: number | null;
  /** Something stands here that goes back. */
  goesBack: boolean;
}

/**
 * Right: checked. Wrong or damaged: that part is ordered again and what came goes back. Missing: it is ordered again.
 * @param ordered how many were ordered; 1 where nobody wrote it down
 */
export function afterCheck({ verdict, quantity }: Check, ordered: number | null): AfterCheck {
  if (verdict === 'right') return { state: 'checked', again: null, goesBack: false };
  return {
    state: 'checked',
    again: Math.min(quantity ?? ordered ?? 1, ordered ?? quantity ?? 1),
    goesBack: verdict !== 'missing',
  };
}

/** `ordered as Birch fronts, BF-22, but came as Birch fronts, lacquered`. */
export function checkWords({ verdict, text, quantity }: Check, orderedAs: string, unit: string): string {
  const many = quantity === undefined ? '' : `${quantity}${unit ? ` ${unit}` : ''} `;
  if (verdict === 'right') return text ? `right: ${text}` : 'right';
  if (verdict === 'wrong' && orderedAs && text) return `${many}ordered as ${orderedAs}, but came as ${text}`;
  return `${many}${verdict}${text ? `: ${text}` : ''}`;
}
