import type { EscapeRules } from '../../fit/escape-window';
import type { LengthSystem } from '../../units/length';
import { capital } from '../../words/letters';
import { OPENING_KINDS, wallName, type Opening } from '../shape';

/** One thing looked at on the plan. `bad` does not fit, `ask` could not be judged or is worth a look, `good` fits. */
export interface PlanFinding {
  tone: 'bad' | 'ask' | 'good';
  /** Stays the same while the wall moves: what is broken and what is cured is told by it. */
  key: string;
  text: string;
  /** Ids of what it is about. */
  about: readonly string[];
}

/** What is asked of a plan. Lengths in mm. */
export interface PlanTerms {
  system: LengthSystem;
  /** Somebody is meant to sleep here. */
  sleeping: boolean;
  atGrade: boolean;
  rules: EscapeRules;
  /** What must pass the doors, clear. */
  leastPassage: number;
  /** Between two runs, or a run and an island. */
  leastAisle: number;
  /** Under a beam, a duct, a bulkhead. */
  headRoom: number;
}

/** What a job usually asks of its plans: model rules by its way of measuring; a local code may say otherwise. */
export const usualTerms = (system: LengthSystem, sleeping: boolean, atGrade: boolean): PlanTerms => ({
  system,
  sleeping,
  atGrade,
  rules: system === 'imperial' ? 'us-model' : 'uk-guide',
  leastPassage: 700,
  leastAisle: system === 'imperial' ? 36 * 25.4 : 900,
  headRoom: system === 'imperial' ? 76 * 25.4 : 2000,
});

export const finding = (
  tone: PlanFinding['tone'],
  key: string,
  text: string,
  ...about: readonly { id: string }[]
): PlanFinding => ({ tone, key, text, about: about.map(({ id }) => id) });

export const openingName = (opening: Opening): string =>
  opening.name || `${OPENING_KINDS[opening.kind]} in ${wallName(opening.wall)}`;
export const nameOf = (opening: Opening): string => capital(openingName(opening));
