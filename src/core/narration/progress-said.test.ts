import { describe, expect, it } from 'vitest';
import { progressSaid } from './progress-said';
import { wordsOf } from './words';

const said = (text: string): string[] =>
  progressSaid(wordsOf([{ start: 0, end: 1, text }]).map((word) => word.text)).map(
    ({ phase, fraction }) => `${phase} ${Math.round(fraction * 100)}`,
  );

describe('how far a step is, as somebody says it', () => {
  it.each([
    ["framing's done", ['framing 100']],
    ['insulation is all in', ['insulation 100']],
    ['the tiling is finished', ['tiling 100']],
    ['no insulation yet', ['insulation 0']],
    ["framing hasn't started", ['framing 0']],
    ['they have not started the tiling', ['tiling 0']],
    ['framing is nearly done', ['framing 90']],
    ['tiling is forty percent', ['tiling 40']],
    ['tiling is about 60%', ['tiling 60']],
    ['half the tiling is up', ['tiling 50']],
    ['the tiling is halfway', ['tiling 50']],
    ['framing just started', ['framing 10']],
    ['the new closet is framed', ['framing 100']],
    ['the walls are half painted', ['final-coat 50']],
    ['framing is done and insulation is halfway', ['framing 100', 'insulation 50']],
  ])('“%s”', (text, wanted) => {
    expect(said(text)).toEqual(wanted);
  });

  it.each([
    'once the framing is done we call the inspector',
    'we will start the tiling on Monday',
    'when the insulation is in, close it',
    'the tile came in the wrong colour',
    'behind the insulation there is a pipe',
    'it gets painted after that',
    'good morning',
  ])('says nothing of it: “%s”', (text) => {
    expect(said(text)).toEqual([]);
  });
});
