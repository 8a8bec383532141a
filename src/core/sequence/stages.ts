import type { WorkName } from '../schedule/work-name';
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

/** The stage that a step belongs to. */
function stageOf(phase: Phase): Stage {
  if (phaseFacts(phase).outdoor) return 'outside';
  const place = phaseOrder(phase);
  if (place < phaseOrder('framing')) return 'structure';
  if (place <= phaseOrder('rough-inspection')) return 'walls';
  if (place <= phaseOrder('ceiling-grid')) return 'close';
  return 'finish';
}

/**
 * The stage of any piece of work: of a step its own, of what was added or left over that of the step its area is at, of the
 * whole job's by what it is.
 * @param at the step at which each area is, the first that is not done
 */
export function stageOfWork(work: WorkName, area: string | null, at: ReadonlyMap<string, Phase>): Stage {
  switch (work.kind) {
    case 'step':
      return stageOf(work.phase);
    case 'tight':
      return 'outside';
    case 'site-setup':
    case 'dust-doors':
    case 'proof':
      return 'structure';
    case 'beside': {
      const phase = area === null ? undefined : at.get(area);
      return phase ? stageOf(phase) : 'finish';
    }
    default:
      return 'finish';
  }
}
