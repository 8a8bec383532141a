import { STANCES, type Inclusion } from '@/core/sites/area';
import { STANCE_PATHS } from '@/core/sites/stance-paths';

/** How a line of work stands to the contract: its drawn mark, always beside its words. */
export function InclusionIcon({ stance }: { stance: Inclusion }) {
  return (
    <span className="text-nowrap">
      <svg
        className="state-mark"
        viewBox="0 0 16 16"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.8"
        aria-hidden="true"
      >
        <path d={STANCE_PATHS[stance]} />
      </svg>{' '}
      {STANCES[stance]}
    </span>
  );
}
