'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { addManyScope } from '@/contract/commands/scope';
import type { ScopeArea } from '@/contract/views/scope';
import { PARTS } from '@/core/scope/scope-line';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

/** One gesture for “everything here except …”: one line that is in, and one that is not for each thing left out. */
export function EverythingExcept({
  job,
  area,
  onDone,
}: {
  job: string;
  area: Pick<ScopeArea, 'id' | 'kind'>;
  onDone: () => void;
}) {
  const { give, busy } = useSend();
  const [verb, setVerb] = useState('paint');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [more, setMore] = useState('');
  const left = [
    ...ticked,
    ...more
      .split(',')
      .map((entry) => entry.trim())
      .filter(Boolean),
  ];
  const word = verb.trim();
  const tick = (part: string): void =>
    setTicked((now) => (now.has(part) ? new Set([...now].filter((entry) => entry !== part)) : new Set([...now, part])));
  const keep = async (): Promise<void> => {
    const line = { area: area.id, dependsOn: '', place: '' };
    const lines = [
      {
        ...line,
        id: newId(),
        stance: 'in' as const,
        verb: word,
        subject: left.length > 0 ? `everything here except ${left.join(', ')}` : 'everything here',
      },
      ...left.map((part) => ({ ...line, id: newId(), stance: 'out' as const, verb: word, subject: part })),
    ];
    if (
      await give(
        addManyScope,
        { job, lines },
        { text: `Saved: ${word} everything except ${left.length} ${left.length === 1 ? 'thing' : 'things'}.` },
      )
    )
      onDone();
  };
  return (
    <Form
      className="form-lines"
      onSubmit={(event) => {
        event.preventDefault();
        if (word) void keep();
      }}
    >
      <Form.Group controlId="everything-verb">
        <Form.Label className="mb-1">What happens to everything</Form.Label>
        <Form.Control
          value={verb}
          maxLength={30}
          isInvalid={word === ''}
          onChange={(event) => setVerb(event.target.value)}
        />
        {word === '' && (
          <Form.Text className="bad" role="alert">
            Say what happens, like “paint” or “strip”.
          </Form.Text>
        )}
      </Form.Group>
      <fieldset>
        <legend className="form-label fs-6 mb-1">Except</legend>
        <div className="ticks">
          {PARTS[area.kind].map((part) => (
            <Form.Check
              key={part}
              id={`except-${part}`}
              label={part}
              checked={ticked.has(part)}
              onChange={() => tick(part)}
            />
          ))}
        </div>
      </fieldset>
      <Form.Group controlId="everything-more">
        <Form.Label className="mb-1">and except, with commas between</Form.Label>
        <Form.Control value={more} maxLength={300} onChange={(event) => setMore(event.target.value)} />
      </Form.Group>
      <p className="small-text soft mb-0">
        {word || '…'} everything here{left.length > 0 ? ` except ${left.join(', ')}` : ''}.{' '}
        {left.length > 0 ? 'Each of these is written down as not included.' : ''}
      </p>
      <div className="actions">
        <Button type="submit" disabled={busy || word === ''}>
          Save
        </Button>
      </div>
    </Form>
  );
}
