import type { ReactNode } from 'react';
import type { PlanProblem } from '@/contract/views/plan';
import { StateIcon } from './state-icon';

export function Notice({ bad, children }: { bad?: boolean; children: ReactNode }) {
  return (
    <div className={`notice ${bad ? 'bad' : ''}`} role={bad ? 'alert' : 'status'}>
      {bad && <StateIcon kind="stop" />}
      <div>{children}</div>
    </div>
  );
}

/** What is wrong with the plan: nothing newer could be made, or it holds all but what it names. */
export function PlanProblemNotice({ problem }: { problem: PlanProblem | null }) {
  if (problem === null) return null;
  return (
    <Notice bad>
      {problem.stale
        ? `The plan could not be computed again: ${problem.message} What is shown is the last plan that held.`
        : problem.message}
    </Notice>
  );
}
