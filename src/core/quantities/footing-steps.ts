import { answer, refuse } from '../problem';
import { ceil, cubicMetres, floor, sum } from '../units/rounding';
import { count, give, length, main, rowsOf, waste } from './ask';
import { calculator, ENGINEER } from './calculator';

interface Point {
  along: number;
  ground: number;
}

/** The lowest ground over a stretch: between two points it runs straight. */
function lowestOver(points: readonly Point[], from: number, to: number): number {
  const at = (x: number): number => {
    const next = points.findIndex(({ along }) => along >= x);
    const [before, after] = [points[Math.max(0, next - 1)], points[next]];
    if (!before || !after) return points.at(-1)?.ground ?? 0;
    if (after.along === before.along) return after.ground;
    return before.ground + ((after.ground - before.ground) * (x - before.along)) / (after.along - before.along);
  };
  const inside = points.filter(({ along }) => along > from && along < to).map(({ ground }) => ground);
  return Math.min(at(from), at(to), ...inside);
}

/** The trench is followed in strips of this, in mm. */
const STRIP = 50;

export const footingSteps = calculator({
  name: 'footing-steps',
  title: 'Footing that steps with its ground',
  group: 'ground',
  answers: 'Where a footing steps so that it lies deep enough everywhere, its concrete and its bars.',
  asks: {
    ground: rowsOf(
      'the ground, from one end',
      {
        along: length('from the end', { zero: true }),
        ground: length('level there', { signed: true }),
      },
      { least: 2, hint: 'against any level; the first at 0' },
    ),
    cover: length('lies under the ground, its bottom, at least'),
    width: length('width'),
    thickness: length('thickness'),
    step: length('one step'),
    overlap: length('lies over itself at a step'),
    bars: count('bars along it', { zero: true, most: 40 }),
    lap: length('their lap at a step', { zero: true }),
    starters: length('upright bars every', { hint: 'where a wall stands on it' }),
    waste: waste(),
  },
  gives: {
    steps: give('count', 'steps', main),
    ends: give('levels', 'each run ends, from the first end'),
    bottoms: give('levels', 'its bottom lies at', main),
    volume: give('volume', 'concrete to order', main),
    steel: give('length', 'bars along it', main),
    uprights: give('count', 'upright bars'),
    chairs: give('count', 'chairs under the bars'),
  },
  formula:
    'from the lowest place up by whole steps, its bottom everywhere under the lowest ground there by the cover; ' +
    'volume = (length + steps · overlap) · width · thickness; steel = bars · (length + steps · (overlap + lap)); uprights = ' +
    'one every so far and one at the end; chairs = one a metre under each two bars',
  source:
    'Geometry. Usual guidance: a step is no higher than the footing is thick, and overlaps by twice its height, its ' +
    'thickness or 300 mm (12 in), whichever is most.',
  decides: ENGINEER,
  example: {
    ground: [
      { along: 0, ground: 0 },
      { along: 4000, ground: -150 },
      { along: 9000, ground: -900 },
    ],
    cover: 900,
    width: 600,
    thickness: 250,
    step: 225,
    overlap: 450,
    bars: 3,
    lap: 500,
    starters: 400,
    waste: 0.08,
  },
  compute: ({ ground, cover, width, thickness, step, overlap, bars, lap, starters, waste: part }) => {
    const points = [...ground].sort((a, b) => a.along - b.along);
    const length = (points.at(-1)?.along ?? 0) - (points[0]?.along ?? 0);
    if (length <= 0)
      return refuse({ code: 'no-length', message: 'the ground: give two places that lie apart', field: 'ground' });
    if (step > thickness)
      return refuse({
        code: 'step-too-high',
        message: 'one step: no higher than the footing is thick, or nothing joins the two',
        field: 'step',
      });
    const start = points[0]?.along ?? 0;
    const strips = ceil(length / STRIP);
    const wanted = Array.from({ length: strips }, (_, at) =>
      lowestOver(points, start + at * STRIP, Math.min(start + length, start + (at + 1) * STRIP)),
    );
    // From its lowest place it steps up wherever the ground lets it.
    const lowest = Math.min(...wanted);
    const levels = wanted.map((low) => floor((low - lowest) / step));
    const changes = levels.flatMap((level, at) => (at > 0 && level !== levels[at - 1] ? [at] : []));
    const steps = sum(changes.map((at) => Math.abs((levels[at] ?? 0) - (levels[at - 1] ?? 0))));
    const runs = [0, ...changes];
    return answer({
      steps,
      ends: [...changes.map((at) => at * STRIP), length],
      bottoms: runs.map((at) => lowest - cover + (levels[at] ?? 0) * step),
      volume: cubicMetres(length + steps * overlap, width, thickness) * (1 + part),
      steel: bars * (length + steps * (overlap + lap)),
      uprights: floor(length / starters) + 1,
      chairs: ceil(bars / 2) * (floor(length / 1000) + 1),
    });
  },
  buys: ({ volume, uprights, chairs }) => [
    { what: 'concrete', quantity: Math.ceil(volume * 10) / 10, unit: 'm³' },
    { what: 'upright bars', quantity: uprights, unit: 'bars' },
    ...(chairs > 0 ? [{ what: 'chairs', quantity: chairs, unit: 'chairs' }] : []),
  ],
});
