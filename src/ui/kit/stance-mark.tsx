import { STANCES, type Stance } from '@/core/sites/area';

/** Six small drawn marks for how a line of work stands to the contract, always beside their words. */
export function StanceMark({ stance }: { stance: Stance }) {
  return (
    <span className="text-nowrap">
      <svg className="state-mark" viewBox="0 0 16 16" fill="none" stroke="currentColor" strokeWidth="1.8" aria-hidden="true">
        <Shape stance={stance} />
      </svg>{' '}
      {STANCES[stance]}
    </span>
  );
}

function Shape({ stance }: { stance: Stance }) {
  switch (stance) {
    case 'in':
      return <path d="M2 8h9M7.5 4.5 11 8l-3.5 3.5M14 2v12" />;
    case 'out':
      return <path d="M14 8H5M8.5 4.5 5 8l3.5 3.5M2 2v12" strokeDasharray="none" />;
    case 'conditional':
      return <path d="M8 14V8M8 8 3 2.5M8 8l5-5.5" />;
    case 'protect':
      return <path d="M2 6.5Q8 .5 14 6.5M4 8v6h8V8" />;
    case 'keep-live':
      return <path d="M9.5 1 4 9h4l-1.5 6L12 7H8z" />;
    case 'refit':
      return <path d="M5 14V3M2 6l3-3 3 3M11 2v11M8 10l3 3 3-3" />;
  }
}
