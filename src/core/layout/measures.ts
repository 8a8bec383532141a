import { squareMetres, sum } from '../units/rounding';
import { wallSurface, wallTop } from './ceiling';
import type { Point } from './point';
import { outlineOf } from './room-outline';
import { isDoor, type Opening, type Section, type Shape } from './shape';

/** What can be taken off a drawn area, by the name a calculation is fed with. */
export const MEASURES = {
  floor: { label: 'floor', dimension: 'area' },
  wallsNet: { label: 'walls without openings', dimension: 'area' },
  wallsNetLarge: { label: 'walls without large openings', dimension: 'area' },
  wallsGross: { label: 'walls, openings in', dimension: 'area' },
  faceNet: { label: 'face without openings', dimension: 'area' },
  faceNetLarge: { label: 'face without large openings', dimension: 'area' },
  faceGross: { label: 'face, openings in', dimension: 'area' },
  roofPlan: { label: 'roof on the plan', dimension: 'area' },
  roofSlope: { label: 'roof along its slope', dimension: 'area' },
  perimeter: { label: 'perimeter', dimension: 'length' },
  skirting: { label: 'perimeter without doors', dimension: 'length' },
  height: { label: 'height', dimension: 'length' },
  width: { label: 'width of the face', dimension: 'length' },
  openingTrim: { label: 'trim round openings', dimension: 'length' },
  drainLength: { label: 'length of the drain', dimension: 'length' },
  sections: { label: 'sections of the drawing', dimension: 'sections' },
  openings: { label: 'openings of the drawing', dimension: 'openings' },
  legs: { label: 'legs of the drain', dimension: 'legs' },
  riseIn12: { label: 'slope of the roof', dimension: 'slope' },
} as const;

export type Measure = keyof typeof MEASURES;
export type Measures = Partial<Record<Measure, unknown>>;

/** Openings larger than this are taken off even by those who leave small ones in. m² */
const LARGE_OPENING = 1.5;

/** A wall as calculators take it: even, or lower at its ends with a rise between them. */
function sectionOf(top: readonly Point[], height: number): { height: number; gableRise: number } {
  if (top.length === 0) return { height, gableRise: 0 };
  const ends = Math.min(top[0]?.y ?? height, top.at(-1)?.y ?? height);
  return { height: ends, gableRise: Math.max(0, ...top.map(({ y }) => y)) - ends };
}

const openingArea = (opening: Opening): number => squareMetres(opening.width.mm, opening.height.mm) * opening.count;
const sectionArea = (section: Section): number =>
  squareMetres(section.width.mm, section.height.mm + section.gableRise.mm / 2);
/** Both sides and the top; a window’s sill too. */
const trimOf = (opening: Opening): number =>
  (2 * opening.height.mm + opening.width.mm * (opening.kind === 'window' ? 2 : 1)) * opening.count;

/** A roof as it lies on the plan and as it is walked on, both slopes alike. */
function roofOf({ width, length, riseIn12 }: Extract<Shape, { kind: 'roof' }>): Measures {
  const roofPlan = squareMetres(width.mm, length.mm);
  return { roofPlan, roofSlope: roofPlan * Math.hypot(1, riseIn12 / 12) };
}

/** Areas in m², lengths in mm, lists as the calculators take them. Nothing where the shape does not hold together. */
export function measuresOf(shape: Shape, openings: readonly Opening[]): Measures {
  const taken = sum(openings.map(openingArea));
  const large = sum(
    openings.filter((opening) => squareMetres(opening.width.mm, opening.height.mm) > LARGE_OPENING).map(openingArea),
  );
  const holes = {
    openings: openings.map((opening) => ({ width: opening.width.mm, height: opening.height.mm, count: opening.count })),
    openingTrim: sum(openings.map(trimOf)),
  };
  switch (shape.kind) {
    case 'room': {
      const outline = outlineOf(shape);
      if (!outline.ok) return {};
      const { corners } = outline.value;
      const tops = shape.slopes?.length ? shape.walls.map((_, wall) => wallTop(shape, corners, wall)) : undefined;
      const gross = tops ? sum(tops.map(wallSurface)) / 1e6 : squareMetres(outline.value.perimeter, shape.height.mm);
      const doors = sum(
        openings.filter((opening) => isDoor(opening.kind)).map((opening) => opening.width.mm * opening.count),
      );
      return {
        floor: outline.value.area,
        wallsGross: gross,
        wallsNet: Math.max(0, gross - taken),
        wallsNetLarge: Math.max(0, gross - large),
        perimeter: outline.value.perimeter,
        skirting: Math.max(0, outline.value.perimeter - doors),
        height: shape.height.mm,
        // Boards are cut from a wall's whole height, a gable or slope on it as a rise of its middle.
        sections: shape.walls.map((wall, index) => ({
          width: wall.mm,
          ...sectionOf(tops?.[index] ?? [], shape.height.mm),
        })),
        ...holes,
      };
    }
    case 'face': {
      const gross = sum(shape.sections.map(sectionArea));
      return {
        faceGross: gross,
        faceNet: Math.max(0, gross - taken),
        faceNetLarge: Math.max(0, gross - large),
        width: sum(shape.sections.map((section) => section.width.mm)),
        height: Math.max(...shape.sections.map((section) => section.height.mm)),
        sections: shape.sections.map((section) => ({
          width: section.width.mm,
          height: section.height.mm,
          gableRise: section.gableRise.mm,
        })),
        ...holes,
      };
    }
    case 'roof':
      return { ...roofOf(shape), riseIn12: shape.riseIn12 };
    case 'run':
      return {
        drainLength: sum(shape.legs.map((leg) => leg.length.mm)),
        legs: shape.legs.map((leg) => ({ length: leg.length.mm, fall: leg.fall })),
      };
  }
}
