'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import type { Walking } from './use-walk';

/** What somebody else has to look at: passed by a name, with the paper they left; never by a pull. */
export function PassStep({
  step,
  area,
  walking,
}: {
  step: WalkArea['steps'][number];
  area: WalkArea;
  walking: Walking;
}) {
  const [asking, setAsking] = useState(false);
  const [by, setBy] = useState('');
  const [tried, setTried] = useState(false);
  const [paper, setPaper] = useState<File>();
  const passed = step.fraction >= 1;
  const record = (fraction: 0 | 1, words: string): void => {
    walking.record(
      { kind: 'progress', area: area.id, phase: step.phase, fraction, ...(fraction === 1 ? { by: by.trim() } : {}) },
      words,
      fraction === 1 ? paper : undefined,
    );
    setAsking(false);
  };
  return (
    <div className="check-line" role="group" aria-label={step.label}>
      <div className="d-flex align-items-center gap-2">
        <span className="flex-fill">
          {step.label}
          {step.failed && !passed && <span className="bad d-block small-text">{step.failed}</span>}
        </span>
        {passed ? (
          <>
            <span className="soft">passed</span>
            <Button variant="outline-secondary" onClick={() => record(0, `${step.label}: not passed`)}>
              not passed
            </Button>
          </>
        ) : (
          <Button variant="outline-secondary" aria-expanded={asking} onClick={() => setAsking(!asking)}>
            passed…
          </Button>
        )}
      </div>
      {asking && (
        <Form
          className="form-lines mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            setTried(true);
            if (by.trim()) record(1, `${step.label}: passed by ${by.trim()}`);
          }}
        >
          <Form.Group controlId={`by-${step.phase}`}>
            <Form.Label className="mb-1">Who passed it</Form.Label>
            <Form.Control
              autoFocus
              value={by}
              maxLength={80}
              isInvalid={tried && by.trim() === ''}
              onChange={(event) => setBy(event.target.value)}
            />
            {tried && by.trim() === '' && (
              <Form.Text className="bad d-block" role="alert">
                Say who looked at it: nothing is passed by a tap.
              </Form.Text>
            )}
          </Form.Group>
          <Form.Control
            type="file"
            accept="image/*"
            capture="environment"
            aria-label={`Picture of the paper for ${step.label}`}
            onChange={(event) => setPaper((event.target as HTMLInputElement).files?.[0])}
          />
          <Button type="submit">Save: passed</Button>
        </Form>
      )}
    </div>
  );
}
