import type { AnswerView } from '@/contract/views/advice';
import type { Placed } from '@/core/schedule/plan';
import { small } from '@/core/words/letters';
import type { FirmReading } from '../reading/reading';
import { fittedLater, inStock, shippedInPart } from './of-goods';
import { standIns } from './of-household';
import { otherOfficeDays } from './of-inspections';
import { onDaysOff, sooner } from './of-days';
import { otherOrder } from './of-order';
import { otherWays } from './of-ways';
import { inOneGo, inTwoParts, longerDays, moreHands, otherSubs, withoutPins } from './of-work';
import type { Slip } from './slip';

/** An answer before it is placed: what it is called, and the changes it is made of. */
export interface Answer extends Pick<AnswerView, 'key' | 'title' | 'how' | 'steps'> {
  /** Its title begins with a name, which keeps its capital within a sentence. */
  named?: true;
}

/**
 * Every answer that may apply, those that are given most often first; what the door refuses, or what brings nothing, falls
 * away when it is placed.
 * @param before the plan as it stands
 */
export const answersTo = (firm: FirmReading, slip: Slip, before: Placed): Answer[] => [
  ...otherWays(firm, slip),
  ...fittedLater(slip),
  ...inStock(slip),
  ...shippedInPart(firm, slip),
  ...otherOfficeDays(firm, slip, before),
  ...otherOrder(slip, before),
  ...sooner(firm, slip, before),
  ...otherSubs(firm, slip),
  ...moreHands(firm, slip),
  ...longerDays(slip),
  ...onDaysOff(firm, slip, before),
  ...inTwoParts(slip),
  ...inOneGo(slip),
  ...withoutPins(slip),
  ...standIns(firm, slip, before),
];

/** Answers of so many kinds are tried together, and so many pairs of them. */
const TOGETHER = 4;
const PAIRS = 4;

/**
 * The best answers of different kinds, two at a time: painting first and a Saturday bring more than each alone.
 * @param best those that were placed and are worth it, the best first
 */
export function pairsOf(best: readonly Answer[]): Answer[] {
  const kinds = new Map<string, Answer>();
  for (const answer of best) {
    const [kind = ''] = answer.key.split(' ');
    if (!kinds.has(kind) && kinds.size < TOGETHER) kinds.set(kind, answer);
  }
  const each = [...kinds.values()];
  return each.flatMap((one, at) => each.slice(at + 1).map((other) => both(one, other))).slice(0, PAIRS);
}

const both = (one: Answer, other: Answer): Answer => ({
  key: `both ${one.key} ${other.key}`,
  title: `${one.title}, and ${other.named ? other.title : small(other.title)}`,
  how: `${one.how} ${other.how}`,
  steps: [...one.steps, ...other.steps],
});
