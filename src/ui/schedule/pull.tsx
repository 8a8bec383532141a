'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { PullView } from '@/contract/views/plan';
import { Line, Lines } from '../kit/lines';

/** What would have to give for a piece of work to come sooner, each thing tried on the whole plan. */
export function Pull({ task }: { task: string }) {
  const [view, setView] = useState<PullView | 'asking' | 'failed'>();
  const ask = async (): Promise<void> => {
    setView('asking');
    try {
      const response = await fetch(api.pull(task));
      setView(response.ok ? ((await response.json()) as PullView) : 'failed');
    } catch {
      setView('failed');
    }
  };
  if (view === undefined || view === 'asking' || view === 'failed') {
    return (
      <p>
        <Button variant="outline-secondary" disabled={view === 'asking'} onClick={() => void ask()}>
          {view === 'asking' ? 'Trying each thing…' : 'What would pull this forward?'}
        </Button>
        {view === 'failed' && <span className="bad d-block">That could not be found out just now; try again.</span>}
      </p>
    );
  }
  return (
    <section aria-label="What would pull this forward">
      <h3>What would pull this forward</h3>
      {view.pulls.length === 0 && (
        <p>Nothing that anybody could give: it starts as early as the work before it and the rules let it.</p>
      )}
      <Lines className="small-text">
        {view.pulls.map((pull) => (
          <Line key={pull.text}>
            <span className={pull.wins ? 'fw-bold' : ''}>{pull.text}</span>
            <div className="soft">
              {pull.wins
                ? `This starts ${pull.gain}; the job ends ${pull.finish}.`
                : 'Would not help alone: something else holds it as well.'}
            </div>
          </Line>
        ))}
      </Lines>
    </section>
  );
}
