import { along, boundsOf, direction, distance, leftOf, shift, type Point } from './point';

/** Plan and elevation as plain strokes in mm, y up: the screen, SVG, DXF and PDF are all drawn from them. */
export type Stroke =
  | { form: 'path'; layer: Layer; points: Point[]; closed: boolean; about?: string }
  | { form: 'arc'; layer: Layer; centre: Point; radius: number; from: number; to: number; about?: string }
  /** `height` in mm of the drawing; `turn` in degrees. */
  | { form: 'text'; layer: Layer; at: Point; text: string; height: number; turn: number; about?: string };
export type Layer = 'walls' | 'openings' | 'swings' | 'fixtures' | 'ceiling' | 'measures' | 'ground';

export interface Drawing {
  title: string;
  strokes: Stroke[];
  bounds: ReturnType<typeof boundsOf>;
}

/** A letter is about so wide for its height; words are made small enough for the room they have. */
export const LETTER_PART = 0.55;
export const fitted = (height: number, room: number, text: string): number =>
  Math.min(height, room / (LETTER_PART * (text.length + 1)));
/** Words smaller than this part of the usual are left to the list beside the drawing. */
export const LEGIBLE = 0.5;

/** Letters are so large against the drawing that they can be read on a phone. */
export const TEXT_PART = 1 / 34;

export function drawing(title: string, strokes: Stroke[], margin: number): Drawing {
  const points = strokes.flatMap((stroke) =>
    stroke.form === 'path'
      ? stroke.points
      : stroke.form === 'text'
        ? [stroke.at]
        : [
            shift(stroke.centre, { x: stroke.radius, y: stroke.radius }, -1),
            shift(stroke.centre, { x: stroke.radius, y: stroke.radius }),
          ],
  );
  const bounds = boundsOf(
    points.length > 0
      ? points
      : [
          { x: 0, y: 0 },
          { x: 1000, y: 1000 },
        ],
  );
  return {
    title,
    strokes,
    bounds: {
      left: bounds.left - margin,
      right: bounds.right + margin,
      bottom: bounds.bottom - margin,
      top: bounds.top + margin,
    },
  };
}

/** Text along a line, never upside down. */
export function measureText(a: Point, b: Point, away: number, text: string, height: number, about?: string): Stroke {
  const d = direction(a, b);
  const middle = shift(along(a, b, 0.5), leftOf(d), away);
  const degrees = (Math.atan2(d.y, d.x) * 180) / Math.PI;
  const turn = degrees > 90 + 1e-6 || degrees <= -90 + 1e-6 ? degrees + 180 : degrees;
  return {
    form: 'text',
    layer: 'measures',
    at: middle,
    text,
    height: fitted(height, Math.max(distance(a, b), height * 5), text),
    turn,
    ...(about ? { about } : {}),
  };
}
