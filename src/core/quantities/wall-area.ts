import { answer, refuse } from '../problem';
import { squareMetres, sum } from '../units/rounding';
import { area, choice, count, give, length, main, optional, rowsOf } from './ask';
import { calculator } from './calculator';

const DEDUCTIONS = { all: 'all openings', large: 'only the large ones' } as const;

/** A wall or face by its sections, gables included, less its openings by either method of deduction. */
export const wallArea = calculator({
  name: 'wall-area',
  title: 'Wall or face area',
  group: 'outside',
  answers: 'How much wall there is, and how much of it is left without the openings.',
  asks: {
    sections: rowsOf(
      'sections',
      {
        width: length('width'),
        height: length('height to the eaves'),
        gableRise: optional(length('gable rise', { zero: true, hint: 'from eaves to peak' })),
      },
      { drawn: ['sections'] },
    ),
    openings: rowsOf(
      'openings',
      { width: length('width'), height: length('height'), count: optional(count('how many', { zero: true })) },
      { least: 0, drawn: ['openings'] },
    ),
    deduct: choice('take off', DEDUCTIONS),
    largeFrom: optional(area('large means over', { zero: true })),
  },
  gives: {
    gross: give('area', 'with openings'),
    deducted: give('area', 'openings taken off'),
    net: give('area', 'area', main),
  },
  formula:
    'Σ width · (height + gable rise / 2) − openings; the method “only large” leaves small openings in, since ' +
    'cutting round them costs as much as it saves',
  source: 'Geometry; both methods of deduction are in use, so the job chooses.',
  example: {
    sections: [
      { width: 9200, height: 2700, gableRise: 0 },
      { width: 4100, height: 2700, gableRise: 1900 },
    ],
    openings: [
      { width: 900, height: 2100, count: 1 },
      { width: 1200, height: 1100, count: 3 },
    ],
    deduct: 'all',
    largeFrom: undefined,
  },
  compute: ({ sections, openings, deduct, largeFrom }) => {
    if (deduct === 'large' && largeFrom === undefined)
      return refuse({
        code: 'bad-input',
        message: 'large means over: say from which area an opening is taken off',
        field: 'largeFrom',
      });
    const gross = sum(
      sections.map((section) => squareMetres(section.width, section.height + (section.gableRise ?? 0) / 2)),
    );
    const taken = openings.filter(
      (opening) => deduct === 'all' || squareMetres(opening.width, opening.height) > (largeFrom ?? 0),
    );
    const deducted = sum(taken.map((opening) => squareMetres(opening.width, opening.height) * (opening.count ?? 1)));
    if (deducted > gross)
      return refuse({
        code: 'openings-too-large',
        message: 'openings: together they are larger than the wall; check sizes and counts',
        field: 'openings',
      });
    return answer({ gross, deducted, net: gross - deducted });
  },
});
