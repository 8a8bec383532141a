'use client';
import { useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { addScope } from '@/contract/commands/scope';
import type { WalkArea } from '@/contract/views/walk';
import { readScopeLine, type ScopeDraft } from '@/core/scope/scope-line';
import { triggersOf } from '@/core/safety/triggers';
import { TRADES } from '@/core/sequence/trades';
import type { NewObservation } from '@/core/walks/observation';
import { placedOf } from '@/core/walks/placing';
import { recordOf } from '@/core/walks/record-of';
import { readLines, startsWithSign } from '@/core/walks/shorthand';
import { InclusionIcon } from '../kit/inclusion-icon';
import { newId } from '../offline/send';
import { understood, type LineTerms } from './line-form';
import { Raised, Signs, withSign } from './line-parts';
import type { Walking } from './use-walk';

type Read = { line: ScopeDraft; area: WalkArea } | { records: NewObservation[] } | { problem: string } | undefined;

/** What a line of a first visit says: work, or behind a sign what the sign says. */
function useVisitLine(typed: string, area: WalkArea, { pack }: Walking, example: string): Read {
  const { areas, job, today } = pack;
  return useMemo(() => {
    if (typed.trim() === '') return undefined;
    const [, name = '', rest = ''] = /^([^:]{2,60}):\s*(.*)$/.exec(typed) ?? [];
    const other = areas.find((room) => room.name.toLowerCase() === name.trim().toLowerCase());
    if (!startsWithSign(other ? rest : typed)) {
      const line = readScopeLine(other ? rest : typed);
      if (line.ok) return { line: line.value, area: other ?? area };
      return {
        problem:
          line.problem.code === 'scope-line-unread'
            ? `Say what happens to what, like “${example}”.`
            : line.problem.message,
      };
    }
    const steps = (id: string) => areas.find((room) => room.id === id)?.steps ?? [];
    const read = readLines(typed, { area: area.id, areas, steps, system: job.units, today });
    if (!read.ok) return { problem: read.problem.message };
    return {
      records: read.value.map((one) => recordOf(one, one.area, { steps: steps(one.area), system: job.units })),
    };
  }, [typed, area, areas, job.units, today, example]);
}

const HOW_IT_STANDS =
  'Begin with “not:”, “live:”, “protect:” or “refit:” to say how it stands; end with “if …” where it depends.';

/** One line, read while it is typed: what it will be stands beneath it. */
export function VisitLine({ area, walking, start = '', onTell }: LineTerms) {
  const example = walking.pack.job.units === 'metric' ? 'strip the boards 46 m²' : 'strip the boards 500 sq ft';
  const [typed, setTyped] = useState(start);
  const [tried, setTried] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const read = useVisitLine(typed, area, walking, example);
  const records = read && 'records' in read ? read.records : [];
  const wrong = tried && (read === undefined || 'problem' in read);
  const raised = read && 'line' in read ? triggersOf({ kind: 'scope', text: typed }) : records.flatMap(triggersOf);
  const keep = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (!read || 'problem' in read) return;
    if ('line' in read) {
      const { line } = read;
      const where = { id: newId(), job: walking.pack.job.id, area: read.area.id };
      walking.write(addScope, { ...where, ...line }, `Saved: ${line.verb} ${line.subject}.`);
    } else
      for (const fresh of records) {
        const text = 'text' in fresh ? (fresh.text ?? '') : '';
        walking.put(placedOf(fresh, text, area.steps.length > 0), understood(fresh, walking.pack.areas));
      }
    setTyped('');
    setTried(false);
    field.current?.focus();
  };
  const putSign = (sign: string): void => {
    setTyped((now) => withSign(now, sign));
    field.current?.focus();
  };
  return (
    <Form noValidate className="form-panel visit-line no-print" onSubmit={keep}>
      <Form.Group controlId="line">
        <Form.Label className="mb-1">Do what, to what, how much, in {area.name}</Form.Label>
        <div className="d-flex gap-2">
          <Form.Control
            ref={field}
            value={typed}
            maxLength={260}
            autoComplete="off"
            enterKeyHint="done"
            isInvalid={wrong}
            aria-describedby="line-said"
            placeholder={example}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit">Save</Button>
        </div>
        <Form.Text
          id="line-said"
          className={`d-block line-said ${wrong ? 'bad' : ''}`}
          {...(wrong ? { role: 'alert' } : { 'aria-live': 'polite' as const })}
        >
          {wrong ? (
            read && 'problem' in read ? (
              read.problem
            ) : (
              `Say what happens to what, like “${example}”.`
            )
          ) : read && 'line' in read ? (
            <>
              <LineRead line={read.line} />
              {read.area.id !== area.id && <span className="soft"> in {read.area.name}</span>}
            </>
          ) : records.length > 0 ? (
            <span className="fw-bold">{records.map((fresh) => understood(fresh, walking.pack.areas)).join(' · ')}</span>
          ) : (
            HOW_IT_STANDS
          )}
        </Form.Text>
      </Form.Group>
      <Raised triggers={raised} />
      <details className="mt-1">
        <summary className="small-text">Other than work: a sign in front says what it is</summary>
        <Signs onSign={putSign} />
        <button type="button" className="btn btn-link" onClick={onTell}>
          Dictate
        </button>
      </details>
    </Form>
  );
}

/** A line as it was read: how it stands, what happens to what, how much, on what it depends, whose work it is. */
const LineRead = ({ line }: { line: ScopeDraft }) => (
  <>
    <InclusionIcon stance={line.stance} /> ·{' '}
    {[
      line.verb,
      line.subject,
      line.quantity ? `${line.quantity} ${line.unit ?? ''}` : '',
      line.dependsOn ? `if ${line.dependsOn}` : '',
      line.place ? `${line.stance === 'protect' ? 'with' : 'kept'} ${line.place}` : '',
    ]
      .filter(Boolean)
      .join(' · ')}
    {line.trade ? <span className="soft"> · {TRADES[line.trade].toLowerCase()}</span> : ''}
  </>
);
