'use client';
import { useContext, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { StepView } from '@/contract/views/plan';
import { TRADES } from '@/core/sequence/trades';
import { Because, Said } from './because';
import { timeWords } from './time-words';

/**
 * The order one step at a time, as one would tell it to somebody: what, who, when, after what and why, and what it
 * makes possible.
 */
export function WalkThrough({ steps, onChange }: { steps: StepView[]; onChange: (task: string) => void }) {
  const [at, setAt] = useState(0);
  const said = useContext(Said);
  const place = Math.min(at, steps.length - 1);
  const step = steps[place];
  if (!step) return null;
  const open = step.links.filter((link) => !link.done);
  const done = step.links.length - open.length;
  return (
    <div
      className="walk-through"
      tabIndex={0}
      aria-label="The order, one step at a time"
      onKeyDown={(event) => {
        if (event.key === 'ArrowRight') setAt(Math.min(steps.length - 1, place + 1));
        else if (event.key === 'ArrowLeft') setAt(Math.max(0, place - 1));
      }}
    >
      <p className="soft mb-1" aria-live="polite">
        Step {place + 1} of {steps.length}
      </p>
      <h2 className="mb-1">{step.label}</h2>
      <p className="fs-5">
        {step.state === 'under-way' ? 'Under way' : step.when}
        {step.trade !== 'nobody' && `, ${TRADES[step.trade].toLowerCase()}`}
        {step.time && (
          <Button variant="link" className="p-0 ms-2 align-baseline" onClick={() => onChange(step.task)}>
            {timeWords(step.time)}
          </Button>
        )}
      </p>
      {step.assumptions.map((text) => (
        <p key={text} className="soon">
          It will show whether {text}.
        </p>
      ))}
      <h3>It waits for</h3>
      {open.length === 0 ? (
        <p>{done > 0 ? 'Nothing any more: all that comes before it is done.' : 'Nothing.'}</p>
      ) : (
        open.map((link) => <Because key={`${link.from}${link.rule}`} link={link} />)
      )}
      <h3 className="mt-3">After it can come</h3>
      <p>{step.frees.length === 0 ? 'Nothing waits for it.' : step.frees.map((place) => said[place]).join(', ')}</p>
      <div className="actions">
        <Button variant="outline-secondary" disabled={place === 0} onClick={() => setAt(place - 1)}>
          Step before
        </Button>
        <Button disabled={place === steps.length - 1} onClick={() => setAt(place + 1)}>
          Next step
        </Button>
      </div>
    </div>
  );
}
