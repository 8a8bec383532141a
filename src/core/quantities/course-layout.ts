import { answer, refuse } from '../problem';
import { ceil } from '../units/rounding';
import { give, length, main } from './ask';
import { calculator } from './calculator';

/** Equal courses between two heights, so that no sliver is left at the top. */
export const courseLayout = calculator({
  name: 'course-layout',
  title: 'Equal courses',
  group: 'outside',
  answers: 'How many equal courses fill a height, and how much each shows.',
  asks: { height: length('height to fill'), maxExposure: length('most to show'), minExposure: length('least to show') },
  gives: {
    courses: give('count', 'courses', main),
    exposure: give('length', 'each shows'),
    fits: give('flag', 'within what may show', { good: true }),
  },
  formula: 'courses = ceil(height / most); each = height / courses; fits where that is at least the least',
  source: 'Arithmetic; the limits are on the maker’s sheet.',
  example: { height: 2620, maxExposure: 152, minExposure: 120 },
  compute: ({ height, maxExposure, minExposure }) => {
    if (minExposure > maxExposure)
      return refuse({
        code: 'range-reversed',
        message: 'least to show: it must not be over the most',
        field: 'minExposure',
      });
    const courses = ceil(height / maxExposure);
    const exposure = height / courses;
    return answer({ courses, exposure, fits: exposure >= minExposure - 1e-9 });
  },
});
