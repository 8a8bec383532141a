import type { SelectionVerdict } from '../walks/observation';

/** How far something chosen has come, in order. */
export const SELECTION_STATES = [
  'open',
  'chosen',
  'approved',
  'ordered',
  'confirmed',
  'in making',
  'shipped',
  'on site',
  'checked',
  'fitted',
  'left over',
] as const;
export type SelectionState = (typeof SELECTION_STATES)[number];

/** Whose word settles what it is. */
export const DECIDERS = { client: 'the client', us: 'us', designer: 'the designer', sub: 'the sub' } as const;
export type Decider = keyof typeof DECIDERS;
export const DECIDER_KEYS = Object.keys(DECIDERS) as Decider[];

const at = (state: SelectionState): number => SELECTION_STATES.indexOf(state);

export const isOrdered = (state: SelectionState): boolean => at(state) >= at('ordered');
/** It stands on the site: nothing waits for its coming any more. */
export const isHere = (state: SelectionState): boolean => at(state) >= at('on site');
/** Ordered and still on its way. */
export const isComing = (state: SelectionState): boolean => isOrdered(state) && !isHere(state);
export const isSettled = (state: SelectionState): boolean => at(state) >= at('checked');
export const isBefore = (selectionState: SelectionState, other: SelectionState): boolean =>
  at(selectionState) < at(other);

/** How it stands, in words: what was looked at and is not what was ordered never reads as if it were. */
export function stateWords({ state, found }: { state: SelectionState; found: Found | null }): string {
  if (!found || found.verdict === 'right' || state === 'fitted' || state === 'left over') return state;
  return isHere(state) ? CAME[found.verdict] : state;
}
interface Found {
  verdict: SelectionVerdict;
}
const CAME: Record<Exclude<SelectionVerdict, 'right'>, string> = {
  wrong: 'came wrong',
  missing: 'came incomplete',
  damaged: 'came damaged',
};

/** What it is beside the one it follows: nothing is called ordered again before it is. */
export const followsWords = (as: 'rest' | 're-order', state: SelectionState): string =>
  as === 'rest' ? 'the rest' : isOrdered(state) ? 'ordered again' : 'to be ordered again';

/** What a person does next, as they would say it: the step and the words on its button. */
export const NEXT_STEPS: Partial<Record<SelectionState, readonly SelectionState[]>> = {
  open: ['chosen'],
  chosen: ['approved', 'ordered'],
  approved: ['ordered'],
  ordered: ['confirmed', 'on site'],
  confirmed: ['in making', 'shipped', 'on site'],
  'in making': ['shipped', 'on site'],
  shipped: ['on site'],
  'on site': ['checked'],
  checked: ['fitted'],
  fitted: ['left over'],
};

/** The words of an order: what comes is held against them. */
export const orderWords = ({
  choice,
  code,
  colour,
  finish,
}: {
  choice: string;
  code: string;
  colour: string;
  finish: string;
}): string => [choice, code, colour, finish].filter(Boolean).join(', ');

/** A choice beside others: copied into the selection when it is taken. */
export interface Alternative {
  id: string;
  choice: string;
  code: string;
  colour: string;
  finish: string;
  supplier: string;
  /** Minor units for one; null where nobody has asked yet. */
  unitPrice: number | null;
  leadLow: number;
  leadHigh: number;
  upkeep: string;
  look: string;
  picture: string | null;
}

/** What of an alternative a selection says too. */
type Chosen = Omit<Alternative, 'id' | 'upkeep' | 'look' | 'picture'>;

/** What is chosen already, as the first of the alternatives to it: nothing known of it is asked again. */
export const alternativeOf = (chosen: Chosen): Chosen => {
  const { choice, code, colour, finish, supplier, unitPrice, leadLow, leadHigh } = chosen;
  return { choice, code, colour, finish, supplier, unitPrice, leadLow, leadHigh };
};
