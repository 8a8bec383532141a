import { FORBIDDEN } from './forbidden';
import { phaseFacts, type Phase } from './phases';

/** What an office looks at before walls are closed, each by itself or in one visit. */
export const INSPECTION_KINDS = {
  frame: { label: 'frame', where: ['framing', 'structure', 'soffit', 'bulkhead', 'stair'] },
  pipes: { label: 'pipes', where: ['plumbing-rough'] },
  ducts: { label: 'ducts', where: ['duct-rough'] },
  wires: { label: 'wires', where: ['wiring-rough', 'low-voltage'] },
  gas: { label: 'gas', where: ['gas-rough'] },
} as const satisfies Record<string, { label: string; where: readonly Phase[] }>;
export type InspectionKind = keyof typeof INSPECTION_KINDS;
export const INSPECTION_KIND_KEYS = Object.keys(INSPECTION_KINDS) as InspectionKind[];

/** What has to be looked at in an area on the visit of a phase; none where the phase says it all. */
function kindsAt(phase: Phase, track: readonly Phase[]): InspectionKind[] {
  if (phase !== 'rough-inspection') return [];
  return INSPECTION_KIND_KEYS.filter((kind) => INSPECTION_KINDS[kind].where.some((step) => track.includes(step)));
}

/** What of it nobody has passed yet. A visit that names no kinds was for all of them. */
export function kindsLeft(
  phase: Phase,
  track: readonly Phase[],
  passed: readonly (readonly InspectionKind[])[],
): InspectionKind[] {
  if (passed.some((kinds) => kinds.length === 0)) return [];
  return kindsAt(phase, track).filter((kind) => !passed.some((kinds) => kinds.includes(kind)));
}

/** Steps that are done once somebody has looked and said so by name, never by a tap. */
export const isPassedByName = (phase: Phase): boolean => {
  const { hold } = phaseFacts(phase);
  return hold === 'inspection' || hold === 'water-test' || hold === 'release';
};

/** What was begun over something that nobody has passed. */
export interface Covered {
  looked: Phase;
  cover: Phase;
}

/** Steps of an area that were begun although what they hide, or rest on, was not looked at. */
export function coveredUnseen(track: readonly { phase: Phase; fraction: number }[]): Covered[] {
  const fraction = new Map(track.map((step) => [step.phase, step.fraction]));
  return FORBIDDEN.flatMap(({ step, before, where }) =>
    where === 'here' && isPassedByName(before) && (fraction.get(before) ?? 1) < 1 && (fraction.get(step) ?? 0) > 0
      ? [{ looked: before, cover: step }]
      : [],
  );
}
