import { phaseFacts, phaseOrder, type Phase } from './phases';

/** The stages in which one speaks of a house, in their order. */
export const STAGES = {
  outside: 'Outside and ground',
  structure: 'Tear-out and structure',
  walls: 'Inside the walls',
  close: 'Close the walls',
  finish: 'Finish',
} as const;
export type Stage = keyof typeof STAGES;
export const STAGE_KEYS = Object.keys(STAGES) as Stage[];

/** The stage that a step belongs to; work of the whole job that is no step comes at the end, its setting up before all. */
export function stageOf(phase: Phase | null): Stage {
  if (phase === null) return 'finish';
  if (phaseFacts(phase).outdoor) return 'outside';
  const place = phaseOrder(phase);
  if (place < phaseOrder('framing')) return 'structure';
  if (place <= phaseOrder('rough-inspection')) return 'walls';
  if (place <= phaseOrder('ceiling-grid')) return 'close';
  return 'finish';
}
