import type { Measure, Measures } from '../layout/measures';
import type { AreaKind } from '../sites/area';
import { sum } from '../units/rounding';
import type { Phase } from './phases';

/** What comes out of a place. Volume in place in m³, times it swells when it lies loose, kg a m³ in place. */
export interface Waste {
  volume: number;
  bulking: number;
  density: number;
}

/** How large an area is for what comes out of it: m², and m of its walls and drains. */
export interface Extent {
  floor: number;
  walls: number;
  run: number;
  face: number;
  slope: number;
  drain: number;
}

/** An ordinary area, where nobody has drawn it: a room of 3.5 by 3.5 m and 2.5 m high, a face, half a roof, a short drain. */
const ORDINARY: Extent = { floor: 12, walls: 32, run: 14, face: 30, slope: 40, drain: 10 };

/** What is drawn of an area for each of them: m² as they are, lengths in mm. */
const MEASURED: Record<keyof Extent, { of: Measure; by: number }> = {
  floor: { of: 'floor', by: 1 },
  walls: { of: 'wallsNet', by: 1 },
  run: { of: 'perimeter', by: 1000 },
  face: { of: 'faceNet', by: 1 },
  slope: { of: 'roofSlope', by: 1 },
  drain: { of: 'drainLength', by: 1000 },
};
const SIZES = Object.keys(MEASURED) as (keyof Extent)[];

const measured = (measures: Measures, size: keyof Extent): number | undefined => {
  const value = measures[MEASURED[size].of];
  return typeof value === 'number' && value > 0 ? value / MEASURED[size].by : undefined;
};

/** Whether an area is drawn as far as these sizes go. */
export const isDrawn = (measures: Measures, sizes: readonly (keyof Extent)[]): boolean =>
  sizes.every((size) => measured(measures, size) !== undefined);

/** The extent of an area as it is drawn; what is not drawn is an ordinary area of its size. @param size 1 is ordinary */
export const extentOf = (measures: Measures, size: number): Extent =>
  Object.fromEntries(SIZES.map((of) => [of, measured(measures, of) ?? ORDINARY[of] * size])) as unknown as Extent;

const BOARDS = { bulking: 1.8, density: 700 };
const TILES = { bulking: 1.5, density: 1800 };
const MASONRY = { bulking: 1.5, density: 1800 };
const CONCRETE = { bulking: 1.5, density: 2300 };
const SOIL = { bulking: 1.25, density: 1800 };
/** Slab that is opened for a pipe: half a metre wide, as long as the room. */
const openedSlab = ({ run }: Extent): number => 0.5 * 0.12 * (run / 4);

interface ComesOut {
  /** The sizes of the area that it is reckoned from; none where it is as much in any. */
  from: readonly (keyof Extent)[];
  waste: (extent: Extent, kind: AreaKind) => Waste[];
}

/**
 * What comes out when a step is done, by usual thicknesses of floors, linings, coverings and slabs.
 * Source: usual building weights and swell factors; what is really there is seen when it is opened.
 */
const COMES_OUT: Partial<Record<Phase, ComesOut>> = {
  'tear-out': {
    from: ['floor', 'walls'],
    waste: ({ floor, walls }, kind) =>
      kind === 'wet'
        ? [{ volume: 0.05 * floor + 0.03 * walls, ...TILES }]
        : [{ volume: 0.02 * floor + 0.015 * (walls + floor), ...BOARDS }],
  },
  'wall-out': { from: ['run'], waste: ({ run }) => [{ volume: (run / 4) * 2.5 * 0.12, bulking: 1.6, density: 900 }] },
  'stair-out': { from: [], waste: () => [{ volume: 0.5, ...BOARDS }] },
  'break-out': { from: ['run'], waste: (extent) => [{ volume: openedSlab(extent), ...CONCRETE }] },
  'wall-cut': { from: [], waste: () => [{ volume: 0.3, ...MASONRY }] },
  strip: { from: ['face'], waste: ({ face }) => [{ volume: 0.025 * face, ...BOARDS }] },
  'roof-strip': { from: ['slope'], waste: ({ slope }) => [{ volume: 0.03 * slope, ...TILES }] },
  // Its bricks are kept: mortar, roof and floor are left.
  'knock-down': {
    from: ['walls', 'floor'],
    waste: ({ walls, floor }) => [
      { volume: 0.03 * walls, ...MASONRY },
      { volume: 0.05 * floor, ...BOARDS },
    ],
  },
  pit: { from: [], waste: () => [{ volume: 0.8, ...SOIL }] },
  'well-dig': { from: [], waste: () => [{ volume: 1.5, ...SOIL }] },
  excavate: { from: ['drain'], waste: ({ drain }) => [{ volume: 0.6 * drain, ...SOIL }] },
};

/** What comes out of an area of this kind and extent when the step is done; nothing where it leaves nothing. */
export const wasteOf = (phase: Phase, extent: Extent, kind: AreaKind): Waste[] =>
  COMES_OUT[phase]?.waste(extent, kind) ?? [];

/** The sizes of an area that its waste is reckoned from. */
export const wasteFrom = (phase: Phase): readonly (keyof Extent)[] => COMES_OUT[phase]?.from ?? [];

/** Concrete that a step pours, in m³, where no kept result says so: into the opened slab, a footing, a drain's bed. */
export function pouredBy(phase: Phase, extent: Extent): number {
  switch (phase) {
    case 'floor-pour':
      return openedSlab(extent);
    case 'footing-pour':
      return 0.6 * 0.3 * 10;
    case 'pour':
      return 0.5 * 0.1 * extent.drain;
    default:
      return 0;
  }
}

/** What waste takes when it lies loose, in m³. */
export const looseVolume = (waste: readonly Waste[]): number =>
  sum(waste.map(({ volume, bulking }) => volume * bulking));
