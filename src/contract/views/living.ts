import type { HouseholdNeed } from '@/core/sites/household-needs';
import type { Day } from '@/core/units/day';
import type { JobHead } from './job';

/** When a household is without something, or has something else instead. */
export interface LivingGap {
  when: string;
  text: string;
  /** Nothing stands in. */
  bare: boolean;
}

/** What a household has and is without, day by day. */
export interface LivingView {
  job: JobHead;
  livedIn: boolean;
  today: Day;
  /** The days shown, today first; what each need is on each of them. */
  days: { day: Day; label: string }[];
  needs: { need: HouseholdNeed; label: string; where: string; days: ('there' | 'instead' | 'gone')[] }[];
  gaps: LivingGap[];
  /** What nobody should be left with, and the work that takes it, where it is to come. */
  conflicts: { text: string; when: string; task: string | null }[];
  /** Half-days on which something is off while somebody works on it. */
  off: { day: Day; when: string; text: string }[];
  provisions: { id: string; text: string; when: string }[];
}
