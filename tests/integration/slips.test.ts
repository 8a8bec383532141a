import { describe, expect, it } from 'vitest';
import type { AnswerView } from '@/contract/views/advice';
import { emptyHouse } from '../support/installations';
import { advised, slippedFirm } from '../support/slips';

/** So many slips: `npm run long -- slips 200`. */
const SLIPS = Number(process.env.SLIPS ?? 4);

/** What somebody does by rote: paint first where something is missing, else another hand, else wait. */
const byRote = (answers: readonly AnswerView[]): AnswerView | undefined =>
  answers.find(({ key }) => key.startsWith('fit-later')) ?? answers.find(({ key }) => key.startsWith('sub '));

describe('answers to slips of firms that were drawn', () => {
  it('are never worse than waiting', { timeout: 3_600_000 }, () => {
    const rows = Array.from({ length: SLIPS }, (_, seed) => {
      const { installation, owner, of, what } = slippedFirm(emptyHouse(), seed + 1);
      const sheet = advised(installation, owner, of);
      const [best] = sheet.best;
      return { what, best, won: best?.won ?? 0, rote: byRote(sheet.best)?.won ?? 0 };
    });
    for (const { best } of rows) expect(best === undefined || best.conflicts >= 0).toBe(true);
    console.log(
      JSON.stringify(
        rows.map(({ what, best, won, rote }) => [what, best?.title ?? 'wait', won, rote]),
        null,
        0,
      ),
    );
  });
});
