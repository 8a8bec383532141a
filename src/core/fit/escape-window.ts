import { answer } from '../problem';
import { squareMetres } from '../units/rounding';
import { choice, flag, give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

export const ESCAPE_RULES = { 'us-model': 'US model code', 'uk-guide': 'UK guidance' } as const;
export type EscapeRules = keyof typeof ESCAPE_RULES;

const SQUARE_FOOT = 0.09290304;
/** m² and mm. Feet and inches of the US model code are exact in metric. */
const LIMITS: Record<EscapeRules, { area: number; areaAtGrade: number; height: number; width: number; sill: number }> =
  {
    'us-model': {
      area: 5.7 * SQUARE_FOOT,
      areaAtGrade: 5 * SQUARE_FOOT,
      height: 24 * 25.4,
      width: 20 * 25.4,
      sill: 44 * 25.4,
    },
    'uk-guide': { area: 0.33, areaAtGrade: 0.33, height: 450, width: 450, sill: 1100 },
  };

export interface EscapeWindow {
  clearWidth: number;
  clearHeight: number;
  sill: number;
  gradeFloor: boolean;
  rules: EscapeRules;
}

/**
 * Whether one can get out of it and be got out: which of clear area, height, width and sill fail. Lengths in mm, area
 * m².
 */
export function checkEscape({ clearWidth, clearHeight, sill, gradeFloor, rules }: EscapeWindow): {
  area: number;
  passes: boolean;
  fails: string[];
} {
  const limit = LIMITS[rules];
  const area = squareMetres(clearWidth, clearHeight);
  const fails = [
    ...(area < (gradeFloor ? limit.areaAtGrade : limit.area) - 1e-9 ? ['area'] : []),
    ...(clearHeight < limit.height - 1e-9 ? ['height'] : []),
    ...(clearWidth < limit.width - 1e-9 ? ['width'] : []),
    ...(sill > limit.sill + 1e-9 ? ['sill'] : []),
  ];
  return { area, passes: fails.length === 0, fails };
}

export const escapeWindow = calculator({
  name: 'escape-window',
  title: 'Escape window',
  group: 'fit',
  answers: 'Whether a window of a room meant for sleeping lets people out and helpers in.',
  asks: {
    clearWidth: length('clear width, open'),
    clearHeight: length('clear height, open'),
    sill: length('sill over the floor', { zero: true }),
    gradeFloor: flag('at ground level'),
    rules: choice('by', ESCAPE_RULES),
  },
  gives: {
    area: give('area', 'clear area'),
    passes: give('flag', 'passes', { ...main, good: true }),
    fails: give('texts', 'fails by'),
  },
  formula:
    'US model: 5.7 ft² (5.0 at ground level), 24 in high, 20 in wide, sill at most 44 in; UK guidance: 0.33 m², ' +
    '450 mm each way, sill at most 1100 mm',
  source: 'Published model code and guidance; the clear opening is what is left when the window stands open.',
  decides: LOCAL_CODE,
  example: { clearWidth: 560, clearHeight: 920, sill: 980, gradeFloor: false, rules: 'uk-guide' },
  compute: (input) => answer(checkEscape(input)),
});
