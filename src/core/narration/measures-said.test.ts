import { describe, expect, it } from 'vitest';
import { measuresSaid } from './measures-said';
import { wordsOf } from './words';

const said = (text: string, metric = false): number[][] =>
  measuresSaid(
    wordsOf([{ start: 0, end: 1, text }]).map((word) => word.text),
    metric,
  ).map(({ first, second }) => [first, ...(second ? [second] : [])].map((side) => Math.round(side.mm * 10) / 10));

describe('sizes in a sentence', () => {
  it.each([
    ['the opening is five foot two wide by three foot nine high', [[1574.8, 1143]]],
    ['ceiling is seven foot four', [[2235.2]]],
    ['it measures thirty four and three quarters', [[882.7]]],
    ['six foot eight, no, six foot ten high', [[2082.8]]],
    ['the bedroom is twelve by sixteen', [[3657.6, 4876.8]]],
  ])('in feet: “%s”', (text, sizes) => {
    expect(said(text)).toEqual(sizes);
  });

  it.each([
    ['eighteen hundred, no, eighteen forty wide', [[1840]]],
    ['two metres ten by ninety centimetres', [[2100, 900]]],
    ['the reveal is 120mm', [[120]]],
  ])('in metres: “%s”', (text, sizes) => {
    expect(said(text, true)).toEqual(sizes);
  });

  it.each([
    'four feet of trim is missing',
    'put in a two by four',
    'a four inch pipe comes down here',
    'ten square feet of it',
    'three weeks from now',
    'at ten the inspector comes',
  ])('counts, lumber and amounts are none: “%s”', (text) => {
    expect(said(text)).toEqual([]);
  });
});
