import { describe, expect, it } from 'vitest';
import { doubtsOf } from './doubts';
import { calculatorNamed, CALCULATORS } from './registry';

const doubts = (name: string, over: object, measures = {}, system: 'metric' | 'imperial' = 'imperial'): string[] => {
  const { asks, example } = calculatorNamed(name)!;
  return doubtsOf(asks, { ...example, ...over }, measures, system);
};

describe('what can hardly be meant', () => {
  it('is asked back: a sheet of inches for feet, a density of no wood, an area ten times the drawing', () => {
    expect(doubts('sheets', { sheetWidth: 4 * 25.4, sheetLength: 8 * 25.4 })).toEqual([
      expect.stringMatching(/^sheet width: is 4" meant\? Usual is .*; check the unit\.$/),
      expect.stringMatching(/^sheet length: is 8" meant\?/),
    ]);
    expect(doubts('lift', { density: 42 }, {}, 'metric')).toEqual([
      'density: is 42 kg/m³ meant? Usual is 100 kg/m³ to 12000 kg/m³; check the unit.',
    ]);
    expect(doubts('sheets', { area: 456 }, { wallsNet: 42.4 }, 'metric')).toEqual([
      'area to cover: is 456 m² meant? The drawing has 42.4 m² (walls without openings).',
    ]);
    expect(doubts('sheets', { area: 42 }, { wallsNet: 42.4 })).toEqual([]);
  });

  it('is none of what the calculators show as an example', () => {
    for (const { name } of CALCULATORS)
      expect({ name, doubts: doubts(name, {}, {}, 'metric') }).toEqual({ name, doubts: [] });
  });
});
