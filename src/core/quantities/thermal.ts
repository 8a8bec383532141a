import { answer } from '../problem';
import { sum } from '../units/rounding';
import { amount, give, length, main, rowsOf } from './ask';
import { calculator, LOCAL_CODE } from './calculator';

export const thermal = calculator({
  name: 'thermal',
  title: 'Heat through a build-up',
  group: 'services',
  answers: 'How well layers hold heat.',
  asks: {
    layers: rowsOf('layers', {
      thickness: length('thickness'),
      conductivity: amount('conductivity', 'W/mK', {
        most: 500,
        hint: 'mineral wool 0.035, softwood 0.13, brick 0.77',
      }),
    }),
    surface: amount('both surfaces', 'm²K/W', { zero: true, most: 2, hint: '0.17 for a wall' }),
  },
  gives: {
    resistance: give('number', 'resistance', { unit: 'm²K/W' }),
    transmittance: give('number', 'transmittance', { ...main, unit: 'W/m²K' }),
  },
  formula: 'resistance = Σ thickness / conductivity + surfaces; transmittance = 1 / resistance',
  source: 'Layers in series; studs, gaps and damp are not in it.',
  decides: LOCAL_CODE,
  example: {
    layers: [
      { thickness: 12.5, conductivity: 0.19 },
      { thickness: 140, conductivity: 0.035 },
      { thickness: 100, conductivity: 0.77 },
    ],
    surface: 0.17,
  },
  compute: ({ layers, surface }) => {
    const resistance = sum(layers.map((layer) => layer.thickness / 1000 / layer.conductivity)) + surface;
    return answer({ resistance, transmittance: 1 / resistance });
  },
});
