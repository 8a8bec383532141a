/**
 * What practitioners look at when they ask whether a wall carries: what each sign speaks for, and how it is seen. They
 * make it likely or not; none of them is proof. Source: usual site practice; proof is an engineer’s.
 */
export const BEARING_SIGNS = {
  'joists-end': { label: 'joists end or lap on it', carries: true, look: 'lift a board above it', minutes: 20 },
  'wall-above': { label: 'a wall stands above it', carries: true, look: 'measure it upstairs', minutes: 10 },
  'wall-below': { label: 'a wall or post stands below it', carries: true, look: 'measure it downstairs', minutes: 10 },
  'roof-load': {
    label: 'a strut or purlin of the roof comes down on it',
    carries: true,
    look: 'look from the attic',
    minutes: 15,
  },
  middle: {
    label: 'it runs in the middle third of the span',
    carries: true,
    look: 'measure the room both ways',
    minutes: 10,
  },
  'double-plate': {
    label: 'it has a doubled plate or a masonry pier',
    carries: true,
    look: 'a small opening at its head',
    minutes: 30,
  },
  'joists-along': { label: 'joists run along it', carries: false, look: 'a small opening in the ceiling', minutes: 30 },
  'nothing-above': { label: 'nothing stands on it', carries: false, look: 'measure it upstairs', minutes: 10 },
  'other-age': {
    label: 'it is of another age than the house',
    carries: false,
    look: 'a small opening: lath, nails, board',
    minutes: 30,
  },
  light: {
    label: 'it is lighter built than walls that carry',
    carries: false,
    look: 'knock, then a small opening',
    minutes: 30,
  },
} as const satisfies Record<string, { label: string; carries: boolean; look: string; minutes: number }>;

export type BearingSign = keyof typeof BEARING_SIGNS;
export const BEARING_SIGN_KEYS = Object.keys(BEARING_SIGNS) as BearingSign[];

export interface Weighed {
  /** What was seen that speaks for its carrying, and against. */
  carries: string[];
  not: string[];
  /** What has not been looked at yet and is quickest to see; undefined where everything was seen. */
  next: { look: string; minutes: number } | undefined;
}

/** What was seen of a wall, side by side, and what would tell more for the least trouble. Never a verdict. */
export function weigh(seen: readonly BearingSign[]): Weighed {
  const labels = (carries: boolean): string[] =>
    seen.flatMap((sign) => (BEARING_SIGNS[sign].carries === carries ? [BEARING_SIGNS[sign].label] : []));
  const looked = new Set(seen.map((sign) => BEARING_SIGNS[sign].look));
  const [next] = BEARING_SIGN_KEYS.map((sign) => BEARING_SIGNS[sign])
    .filter(({ look }) => !looked.has(look))
    .sort((a, b) => a.minutes - b.minutes);
  return {
    carries: labels(true),
    not: labels(false),
    next: next && { look: next.look, minutes: next.minutes },
  };
}
