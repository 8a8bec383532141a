'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { formatLength, parseLength, type LengthSystem } from '@/core/units/length';
import { differenceWords } from '@/core/walks/measured-again';
import { simulatedMeter } from '../devices/meter';
import { InWallForm } from './in-wall-form';
import type { Walking } from './use-walk';
import type { Outcome } from '@/core/problem';

const METER = simulatedMeter(7);

/** A length as it is read off or sent by a meter; of something drawn, or free. */
export function MeasureForm({
  area,
  units,
  walking,
  onDone,
}: {
  area: WalkArea;
  units: LengthSystem;
  walking: Walking;
  onDone: () => void;
}) {
  const [inWall, setInWall] = useState(false);
  const [target, setTarget] = useState('');
  const [what, setWhat] = useState('');
  const [typed, setTyped] = useState('');
  const [tried, setTried] = useState(false);
  const drawn = area.drawn[Number(target)];
  const known = target === '' ? undefined : drawn;
  const subject = known ? known.label : what.trim();
  const read = parseLength(typed, units);
  const wrongWhat = tried && subject === '' ? 'Say what was measured, like “clear width of the door”.' : undefined;
  const wrongLength =
    tried && !read.ok ? read.problem.message : tried && read.ok && read.value === 0 ? 'A length is over 0.' : undefined;
  const other = units === 'metric' ? 'imperial' : 'metric';
  const difference = known && read.ok && read.value > 0 ? differenceWords(read.value, known.mm, units) : undefined;
  const fromMeter = async (): Promise<void> => {
    const { mm } = await METER.read(known?.mm);
    setTyped(formatLength(mm, units));
  };
  const keep = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (subject === '' || !read.ok || read.value === 0) return;
    walking.record(
      {
        kind: 'measurement',
        area: area.id,
        text: subject,
        typed: typed.trim(),
        mm: read.value,
        ...(known ? { of: known.of } : {}),
      },
      `${subject}: ${formatLength(read.value, units)}`,
    );
    onDone();
  };
  if (inWall) return <InWallForm area={area} units={units} walking={walking} onDone={onDone} />;
  return (
    <Form noValidate className="form-panel form-lines" onSubmit={keep}>
      <div className="kind-of-line two" role="group" aria-label="What is measured">
        <button type="button" aria-pressed onClick={() => undefined}>
          A size
        </button>
        <button type="button" aria-pressed={false} onClick={() => setInWall(true)}>
          Something in a wall
        </button>
      </div>
      {area.drawn.length > 0 && (
        <Form.Group controlId="measure-target">
          <Form.Label className="mb-1">Of what is drawn</Form.Label>
          <Form.Select value={target} onChange={(event) => setTarget(event.target.value)}>
            <option value="">something else</option>
            {area.drawn.map((entry, index) => (
              <option key={entry.label} value={index}>
                {entry.label}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {!known && (
        <Form.Group controlId="measure-what">
          <Form.Label className="mb-1">What was measured</Form.Label>
          <Form.Control
            autoFocus
            value={what}
            maxLength={600}
            isInvalid={wrongWhat !== undefined}
            onChange={(event) => setWhat(event.target.value)}
          />
          {wrongWhat && (
            <Form.Text className="bad d-block" role="alert">
              {wrongWhat}
            </Form.Text>
          )}
        </Form.Group>
      )}
      <HowLong
        typed={typed}
        wrongLength={wrongLength}
        units={units}
        setTyped={setTyped}
        fromMeter={walking.pack.demo ? fromMeter : undefined}
        read={read}
        other={other}
        difference={difference}
      />
      <div className="actions">
        <Button type="submit">Save</Button>
        <button type="button" className="btn btn-link" onClick={onDone}>
          Cancel
        </button>
      </div>
    </Form>
  );
}

/** The size, typed or read from the meter. */
function HowLong({
  typed,
  wrongLength,
  units,
  setTyped,
  fromMeter,
  read,
  other,
  difference,
}: {
  typed: string;
  wrongLength: string | undefined;
  units: LengthSystem;
  setTyped: (next: string) => void;
  /** Reads it from a meter, where there is one. */
  fromMeter: (() => Promise<void>) | undefined;
  read: Outcome<number>;
  other: 'metric' | 'imperial';
  difference: { off: boolean; text: string } | undefined;
}) {
  return (
    <Form.Group controlId="measure-length">
      <Form.Label className="mb-1">How long</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          className="mono"
          value={typed}
          maxLength={40}
          isInvalid={wrongLength !== undefined}
          placeholder={units === 'imperial' ? `7' 4 1/2"` : '2248'}
          onChange={(event) => setTyped(event.target.value)}
        />
        {fromMeter && (
          <button
            type="button"
            className="btn btn-outline-secondary text-nowrap"
            title="The demo plays a distance meter"
            onClick={() => void fromMeter()}
          >
            Meter (played)
          </button>
        )}
      </div>
      {wrongLength ? (
        <Form.Text className="bad d-block" role="alert">
          {wrongLength}
        </Form.Text>
      ) : (
        <Form.Text className="mono d-block">
          {read.ok && typed
            ? `${formatLength(read.value, units)} = ${formatLength(read.value, other)}`
            : units === 'imperial'
              ? `feet and inches, or 2248 mm`
              : `millimetres, or 7' 4 1/2"`}
        </Form.Text>
      )}
      {difference && (
        <Form.Text className={`d-block ${difference.off ? 'bad' : 'good'}`} role="status">
          {difference.text}
        </Form.Text>
      )}
    </Form.Group>
  );
}
