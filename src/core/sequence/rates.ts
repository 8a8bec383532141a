import type { Measure } from '../layout/measures';
import type { Phase } from './phases';

/**
 * What one crew of two does in half a day, by what of the drawing the work is measured. Starting values: the firm's own
 * figures take their place, and what walks measure takes theirs.
 */
export const RATES: Partial<Record<Phase, { measure: Measure; perHalfDay: number; unit: 'm²' | 'm' }>> = {
  'tear-out': { measure: 'floor', perHalfDay: 4, unit: 'm²' },
  framing: { measure: 'wallsGross', perHalfDay: 14, unit: 'm²' },
  insulation: { measure: 'wallsNet', perHalfDay: 28, unit: 'm²' },
  board: { measure: 'wallsNet', perHalfDay: 18, unit: 'm²' },
  tape: { measure: 'wallsNet', perHalfDay: 14, unit: 'm²' },
  plaster: { measure: 'wallsNet', perHalfDay: 12, unit: 'm²' },
  'first-coats': { measure: 'wallsNet', perHalfDay: 24, unit: 'm²' },
  'final-coat': { measure: 'wallsNet', perHalfDay: 36, unit: 'm²' },
  waterproofing: { measure: 'floor', perHalfDay: 8, unit: 'm²' },
  tiling: { measure: 'floor', perHalfDay: 3, unit: 'm²' },
  flooring: { measure: 'floor', perHalfDay: 8, unit: 'm²' },
  trim: { measure: 'skirting', perHalfDay: 12, unit: 'm' },
  strip: { measure: 'faceNet', perHalfDay: 16, unit: 'm²' },
  sheathing: { measure: 'faceNet', perHalfDay: 18, unit: 'm²' },
  barrier: { measure: 'faceNet', perHalfDay: 25, unit: 'm²' },
  cladding: { measure: 'faceNet', perHalfDay: 9, unit: 'm²' },
  'face-trim': { measure: 'openingTrim', perHalfDay: 14, unit: 'm' },
  'face-paint': { measure: 'faceNet', perHalfDay: 15, unit: 'm²' },
  'roof-strip': { measure: 'roofPlan', perHalfDay: 14, unit: 'm²' },
  underlay: { measure: 'roofPlan', perHalfDay: 28, unit: 'm²' },
  covering: { measure: 'roofPlan', perHalfDay: 9, unit: 'm²' },
  excavate: { measure: 'drainLength', perHalfDay: 4, unit: 'm' },
  pipe: { measure: 'drainLength', perHalfDay: 6, unit: 'm' },
  backfill: { measure: 'drainLength', perHalfDay: 8, unit: 'm' },
};

/** Half-days of one crew for a quantity, always at least one. */
export const halfDaysOf = (quantity: number, perHalfDay: number): number =>
  Math.max(1, Math.ceil(quantity / perHalfDay - 1e-9));
