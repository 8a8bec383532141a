'use client';
import { useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { triggersOf } from '@/core/safety/triggers';
import type { NewObservation } from '@/core/walks/observation';
import { recordOf } from '@/core/walks/record-of';
import { KIND_WORDS, recordWords } from '@/core/walks/record-words';
import { readLines } from '@/core/walks/shorthand';
import { Raised, Signs, withSign } from './line-parts';
import type { Walking } from './use-walk';

/** What a record says once it is kept, in a few words. */
export function understood(fresh: NewObservation, areas: readonly WalkArea[]): string {
  const area = areas.find((room) => room.id === fresh.area);
  if (fresh.kind === 'progress')
    return (
      `${area?.steps.find((step) => step.phase === fresh.phase)?.label ?? fresh.phase}: ` +
      (fresh.fraction >= 1 ? 'done' : `${Math.round(fresh.fraction * 100)} %`)
    );
  return `${KIND_WORDS[fresh.kind]}: ${recordWords(fresh)}`;
}

export interface LineTerms {
  area: WalkArea;
  walking: Walking;
  /** What the line begins with. */
  start?: string;
  onTell: () => void;
}

/** One line, one record, shown as it is understood while it is typed; the signs stand beneath for thumbs. */
export function LineForm({ area, walking, start = '', onDone, onTell }: LineTerms & { onDone: () => void }) {
  const { pack } = walking;
  const { areas } = pack;
  const [typed, setTyped] = useState(start);
  const [tried, setTried] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const terms = useMemo(
    () => ({
      area: area.id,
      areas,
      steps: (id: string) => areas.find((room) => room.id === id)?.steps ?? [],
      system: pack.job.units,
      ...(pack.job.client ? { client: pack.job.client } : {}),
      today: pack.today,
    }),
    [area.id, areas, pack.job.units, pack.job.client, pack.today],
  );
  const read = readLines(typed, terms);
  const records = read.ok
    ? read.value.map((line) => recordOf(line, line.area, { steps: terms.steps(line.area), system: pack.job.units }))
    : [];
  const [first] = records;
  const elsewhere = first && first.area !== area.id ? areas.find((room) => room.id === first.area)?.name : undefined;
  const raised = records.flatMap(triggersOf);
  const says = records.map((fresh) => understood(fresh, areas)).join(' · ');
  const keep = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (!first) return;
    records.forEach((fresh) => walking.record(fresh, understood(fresh, areas)));
    setTyped('');
    setTried(false);
    field.current?.focus();
  };
  const putSign = (sign: string): void => {
    setTyped((now) => withSign(now, sign));
    field.current?.focus();
  };
  return (
    <Form noValidate className="form-panel" onSubmit={keep}>
      <Form.Group controlId="line">
        <Form.Label className="mb-1">What you see in {area.name}</Form.Label>
        <Form.Control
          ref={field}
          autoFocus
          value={typed}
          maxLength={620}
          autoComplete="off"
          enterKeyHint="done"
          aria-describedby="line-said"
          isInvalid={tried && !read.ok}
          placeholder={
            area.steps[0]
              ? `${area.steps.find((step) => step.fraction < 1)?.label ?? area.steps[0].label} 60`
              : 'smells of damp'
          }
          onChange={(event) => setTyped(event.target.value)}
        />
        <Form.Text
          id="line-said"
          className={`d-block line-said ${tried && !read.ok ? 'bad' : ''}`}
          role={tried && !read.ok ? 'alert' : undefined}
        >
          {first ? (
            <>
              <span className="fw-bold">{says}</span>
              {elsewhere && <span className="soft"> in {elsewhere}</span>}
            </>
          ) : typed === '' && !tried ? (
            'A step and how far, or a sign and what it is about'
          ) : (
            !read.ok && read.problem.message
          )}
        </Form.Text>
      </Form.Group>
      <Raised triggers={raised} />
      <p className="soft small-text mb-1 mt-2">
        No sign is needed for how far a step is, or for a note. A sign in front says what else a line is:
      </p>
      <Signs onSign={putSign} />
      <div className="actions">
        <Button type="submit">Save</Button>
        <button type="button" className="btn btn-link" onClick={onDone}>
          Cancel
        </button>
        <button type="button" className="btn btn-link push" onClick={onTell}>
          Dictate
        </button>
      </div>
    </Form>
  );
}
