import type { ReactNode } from 'react';
import { StateIcon } from './state-icon';

export function Notice({ bad, children }: { bad?: boolean; children: ReactNode }) {
  return (
    <div className={`notice ${bad ? 'bad' : ''}`} role={bad ? 'alert' : 'status'}>
      {bad && <StateIcon kind="stop" />}
      <div>{children}</div>
    </div>
  );
}

/** A plan that could not be made: what stands in the way, and that the last good one is shown. */
export function PlanProblem({ problem }: { problem: string | null }) {
  return problem === null ? null : (
    <Notice bad>The plan could not be computed again: {problem} What is shown is the last plan that held.</Notice>
  );
}
