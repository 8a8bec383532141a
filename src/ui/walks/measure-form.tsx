'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { formatLength, parseLength, type LengthSystem } from '@/core/units/length';
import type { Walking } from './use-walk';

/** A length as it is read off: feet and inches or millimetres, whichever is typed. */
export function MeasureForm({ area, units, walking, onDone }: { area: WalkArea; units: LengthSystem; walking: Walking; onDone: () => void }) {
  const [what, setWhat] = useState('');
  const [typed, setTyped] = useState('');
  const [tried, setTried] = useState(false);
  const read = parseLength(typed, units);
  const wrongWhat = tried && what.trim() === '' ? 'Say what was measured, like “clear width of the door”.' : undefined;
  const wrongLength = tried && !read.ok ? read.problem.message : tried && read.ok && read.value === 0 ? 'A length is over 0.' : undefined;
  const other = units === 'metric' ? 'imperial' : 'metric';
  const keep = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (what.trim() === '' || !read.ok || read.value === 0) return;
    walking.record({ kind: 'measurement', area: area.id, text: what.trim(), typed: typed.trim(), mm: read.value }, `${what.trim()}: ${formatLength(read.value, units)}`);
    onDone();
  };
  return (
    <Form noValidate className="form-panel form-lines" onSubmit={keep}>
      <Form.Group controlId="measure-what">
        <Form.Label className="mb-1">What was measured</Form.Label>
        <Form.Control autoFocus value={what} maxLength={600} isInvalid={wrongWhat !== undefined} onChange={(event) => setWhat(event.target.value)} />
        {wrongWhat && <Form.Text className="bad d-block" role="alert">{wrongWhat}</Form.Text>}
      </Form.Group>
      <Form.Group controlId="measure-length">
        <Form.Label className="mb-1">How long</Form.Label>
        <Form.Control className="mono" value={typed} maxLength={40} isInvalid={wrongLength !== undefined} placeholder={units === 'imperial' ? `7' 4 1/2"` : '2248'} onChange={(event) => setTyped(event.target.value)} />
        {wrongLength ? <Form.Text className="bad d-block" role="alert">{wrongLength}</Form.Text> : <Form.Text className="mono d-block">{read.ok && typed ? `${formatLength(read.value, units)} = ${formatLength(read.value, other)}` : units === 'imperial' ? `feet and inches, or 2248 mm` : `millimetres, or 7' 4 1/2"`}</Form.Text>}
      </Form.Group>
      <div className="actions"><Button type="submit">Keep</Button><button type="button" className="btn btn-link" onClick={onDone}>Leave</button></div>
    </Form>
  );
}
