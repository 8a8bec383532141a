import type { AdvicePart, AnswerView, SlipView } from '@/contract/views/advice';
import { compareAnswers } from '@/core/advice/compared';

/** What is known so far of a slip and its answers. */
export interface Sheet {
  slip?: SlipView;
  /** Those that were placed, as they came. */
  placed: readonly AnswerView[];
  refused: readonly { title: string; why: string }[];
}

export const EMPTY: Sheet = { placed: [], refused: [] };

/** A sheet with one part more. */
export function withPart(sheet: Sheet, part: AdvicePart): Sheet {
  switch (part.kind) {
    case 'slip':
      return { ...sheet, slip: part.slip };
    case 'answer':
      return { ...sheet, placed: [...sheet.placed, part.answer] };
    case 'more':
      return {
        ...sheet,
        ...(sheet.slip ? { slip: { ...sheet.slip, answers: sheet.slip.answers + part.answers } } : {}),
      };
    case 'refused':
      return { ...sheet, refused: [...sheet.refused, { title: part.title, why: part.why }] };
  }
}

/** The answers so far, the best first, and those that are no better than another or cannot be taken, each with why. */
export function ranked(sheet: Sheet & { slip: SlipView }): { best: AnswerView[]; folded: Sheet['refused'] } {
  const { best, folded } = compareAnswers(sheet.slip.wait, sheet.placed);
  return { best, folded: [...folded.map(({ answer: { title }, why }) => ({ title, why })), ...sheet.refused] };
}
