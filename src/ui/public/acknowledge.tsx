'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { acknowledge } from '@/contract/commands/news';
import { StateIcon } from '../kit/state-icon';
import { send } from '../offline/send';

/** One tap says that it was read. */
export function Acknowledge({ token, recipient, done }: { token: string; recipient: string; done: string | null }) {
  const [read, setRead] = useState(done);
  const [name, setName] = useState(recipient);
  const [problem, setProblem] = useState<string>();
  if (read)
    return (
      <p className="good">
        <StateIcon kind="done" silent /> Read by {read}. Thank you.
      </p>
    );
  const tell = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    const sent = await send(acknowledge, { name: name.trim() }, token);
    if (sent.ok) setRead(name.trim());
    else setProblem(sent.problem.title);
  };
  return (
    <Form className="d-flex gap-2 align-items-end flex-wrap no-print" onSubmit={(event) => void tell(event)}>
      <Form.Group controlId="read-by">
        <Form.Label className="mb-1">Your name</Form.Label>
        <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
      </Form.Group>
      <Button type="submit" disabled={name.trim() === ''}>
        I have read it
      </Button>
      {problem && (
        <p className="bad w-100 mb-0" role="alert">
          {problem}
        </p>
      )}
    </Form>
  );
}
