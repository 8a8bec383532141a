import { describe, expect, it } from 'vitest';
import { groupBy } from '@/core/group-by';
import type { AnswerView } from '@/contract/views/advice';
import { emptyHouse } from '../support/installations';
import { advised, slippedFirm } from '../support/slips';

/** So many slips: `npm run long -- slips 200`. */
const SLIPS = Number(process.env.SLIPS ?? 2);

/** What somebody does by rote: what is missing is fitted later, another hand comes, a Saturday is worked, else they wait. */
const BY_ROTE = ['fit-later', 'sub ', 'saturday '];
const byRote = (answers: readonly AnswerView[]): AnswerView | undefined =>
  BY_ROTE.map((kind) => answers.find(({ key }) => key.startsWith(kind))).find(Boolean);

interface Outcome {
  what: string;
  /** Points by the firm's weights and worked days won, against waiting. */
  points: { best: number; rote: number };
  won: { best: number; rote: number };
  title: string;
}

function outcomeOf(seed: number): Outcome {
  const { installation, owner, of, what } = slippedFirm(emptyHouse(), seed);
  const { slip, best, all } = advised(installation, owner, of);
  const [first, rote] = [best[0], byRote(all)];
  installation.db.close();
  return {
    what,
    points: {
      best: (first?.points ?? slip.wait.points) - slip.wait.points,
      rote: (rote?.points ?? slip.wait.points) - slip.wait.points,
    },
    won: { best: first?.won ?? 0, rote: rote?.won ?? 0 },
    title: first?.title ?? 'Wait',
  };
}

const mean = (list: readonly number[]): string => (list.reduce((sum, one) => sum + one, 0) / list.length).toFixed(2);

const row = (what: string, list: readonly Outcome[]) => ({
  what,
  slips: list.length,
  better: `${Math.round((100 * list.filter(({ points }) => points.best < 0).length) / list.length)} %`,
  'days won': mean(list.map(({ won }) => won.best)),
  'by rote': mean(list.map(({ won }) => won.rote)),
  points: mean(list.map(({ points }) => points.best)),
  'points by rote': mean(list.map(({ points }) => points.rote)),
});

describe('answers to slips of firms that were drawn', () => {
  it('are never worse than waiting, and mostly better', { timeout: 3_600_000 }, () => {
    const outcomes = Array.from({ length: SLIPS }, (_, seed) => outcomeOf(seed + 1));
    expect(outcomes.filter(({ points }) => points.best > 0)).toEqual([]);
    if (SLIPS < 50) return;
    console.table(
      [...groupBy(outcomes, ({ what }) => what)].map(([what, list]) => row(what, list)).concat(row('all', outcomes)),
    );
    console.table(
      [...groupBy(outcomes, ({ title }) => title.replace(/ .*/, ''))].map(([title, list]) => ({
        title,
        times: list.length,
      })),
    );
    expect(outcomes.filter(({ points }) => points.best < 0).length / SLIPS).toBeGreaterThanOrEqual(0.6);
  });
});
