import { STANCES, type Inclusion } from '@/core/sites/area';
import { STANCE_PATHS } from '@/core/sites/stance-paths';

/** The drawn mark of how a line of work stands to the contract; words always stand beside it. */
export const StanceMark = ({ stance }: { stance: Inclusion }) => (
  <svg
    className="state-mark"
    viewBox="0 0 16 16"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.8"
    aria-hidden="true"
  >
    <path d={STANCE_PATHS[stance]} />
  </svg>
);

/** How a line of work stands to the contract: its mark with its words. */
export const InclusionIcon = ({ stance }: { stance: Inclusion }) => (
  <span className="text-nowrap">
    <StanceMark stance={stance} /> {STANCES[stance]}
  </span>
);
