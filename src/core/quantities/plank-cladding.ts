import { answer, refuse } from '../problem';
import { ceil, squareMetres } from '../units/rounding';
import { OF_FACE, area, give, length, main, waste } from './ask';
import { calculator } from './calculator';

/** Lapped planks for an area. */
export const plankCladding = calculator({
  name: 'plank-cladding',
  title: 'Lapped planks',
  group: 'outside',
  answers: 'How many planks clad an area.',
  asks: {
    netArea: area('area to clad', { drawn: OF_FACE }),
    plankWidth: length('plank width'),
    overlap: length('overlap', { zero: true }),
    plankLength: length('plank length'),
    waste: waste(),
  },
  gives: { exposure: give('length', 'seen of each plank'), planks: give('count', 'planks', main) },
  formula: 'exposure = width − overlap; planks = ceil(area · (1 + waste) / (exposure · length))',
  source: 'Arithmetic; the maker’s sheet gives the least overlap.',
  example: { netArea: 62.6, plankWidth: 180, overlap: 32, plankLength: 3600, waste: 0.1 },
  compute: ({ netArea, plankWidth, overlap, plankLength, waste: part }) => {
    if (overlap >= plankWidth)
      return refuse({
        code: 'overlap-too-wide',
        message: 'overlap: it must be less than the plank’s width',
        field: 'overlap',
      });
    const exposure = plankWidth - overlap;
    return answer({ exposure, planks: ceil((netArea * (1 + part)) / squareMetres(exposure, plankLength)) });
  },
  buys: ({ planks }, { plankWidth, plankLength }) => [
    { what: 'planks', size: [plankWidth, plankLength], quantity: planks, unit: 'planks' },
  ],
});
