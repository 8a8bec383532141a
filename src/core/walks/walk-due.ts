import type { WorkName } from '../schedule/work-name';
import type { Day } from '../units/day';

/** Why a job should be walked today. */
export type WalkDue =
  /** A check before cover is due. */
  | { kind: 'check'; area: string; day: Day }
  | { kind: 'check-planned'; work: WorkName }
  /** Nobody wrote down how the site was left. */
  | { kind: 'left-unsaid' }
  | { kind: 'never-walked' }
  | { kind: 'long-ago'; days: number }
  | { kind: 'work-begins'; pieces: number };
