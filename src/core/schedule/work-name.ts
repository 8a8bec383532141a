import type { JobTask } from '../sequence/rules';
import type { Phase } from '../sequence/phases';

/** What a piece of work is, before anybody says it: what is done, and where. */
export type WorkName =
  /** A step of an area; one of its parts, where it is done in parts; who does it, where that is somebody else. */
  | { kind: 'step'; area: string; phase: Phase; part?: string; others?: string }
  /** What a walk found to do, or what was added, in somebody's words. */
  | { kind: 'beside'; area: string; text: string }
  /** A service is proved dead, or marked and kept. */
  | { kind: 'proof'; area: string; text: string }
  /** A gate, a milestone, or a thing that has to be there: what somebody called it. */
  | { kind: 'called'; text: string }
  | { [Task in JobTask]: { kind: Task } }[JobTask]
  /** A storey keeps the weather out. */
  | { kind: 'tight'; level: string };
