import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { invertsOf } from '../fit/drain-run';
import type { RunShape } from './shape';
import { drawing, TEXT_PART, type Drawing, type Stroke } from './stroke';

/** How much taller than long a drain is drawn: a fall of 1:80 could not be seen otherwise. */
const STEEPER = 10;

/** A drain from its outlet upstream, with its inverts; heights drawn ten times. */
export function runProfile(name: string, shape: RunShape, system: LengthSystem): Drawing {
  const inverts = invertsOf(
    shape.outletInvert.mm,
    shape.legs.map((leg) => ({ length: leg.length.mm, fall: leg.fall })),
  );
  const level = (mm: number): string => `${mm < 0 ? '−' : '+'}${formatLength(Math.abs(mm), system)}`;
  let x = 0;
  const points = inverts.map((invert, index) => {
    if (index > 0) x += shape.legs[index - 1]?.length.mm ?? 0;
    return { x, y: invert * STEEPER };
  });
  const top = Math.max(shape.headMaxInvert.mm * STEEPER, ...points.map((point) => point.y));
  const height = Math.max(x, 2000) * TEXT_PART;
  const strokes: Stroke[] = [
    { form: 'path', layer: 'walls', points, closed: false },
    ...points.map((point, index): Stroke => ({
      form: 'text',
      layer: 'measures',
      at: { x: point.x, y: point.y - height * 1.4 },
      text: level(inverts[index] ?? 0),
      height,
      turn: 0,
    })),
    ...shape.legs.flatMap((leg, index): Stroke[] => {
      const [a, b] = [points[index], points[index + 1]];
      if (!a || !b) return [];
      return [
        {
          form: 'text',
          layer: 'openings',
          at: { x: (a.x + b.x) / 2, y: Math.max(a.y, b.y) + height * 1.1 },
          text: `${formatLength(leg.length.mm, system)}${leg.fall > 0 ? `, 1:${Math.round(1 / leg.fall)}` : ', level'}`,
          height,
          turn: 0,
        },
      ];
    }),
    {
      form: 'path',
      layer: 'ground',
      points: [
        { x: Math.max(0, x - height * 6), y: shape.headMaxInvert.mm * STEEPER },
        { x: x + height * 2, y: shape.headMaxInvert.mm * STEEPER },
      ],
      closed: false,
    },
    {
      form: 'text',
      layer: 'ground',
      at: { x: Math.max(height * 4, x - height * 6.5), y: shape.headMaxInvert.mm * STEEPER + height * 0.9 },
      text: `head at most ${level(shape.headMaxInvert.mm)}`,
      height: height * 0.9,
      turn: 0,
    },
  ];
  for (const point of points)
    strokes.push({
      form: 'path',
      layer: 'openings',
      points: [
        { x: point.x, y: point.y },
        { x: point.x, y: top + height * 2 },
      ],
      closed: false,
    });
  return drawing(name, strokes, height * 3);
}
