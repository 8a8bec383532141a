'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { acceptArea, askItem } from '@/contract/commands/completion';
import type { ClientShared } from '@/contract/views/news';
import { StateIcon } from '../kit/state-icon';
import { newId, send } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';

/** The client's own list, and the rooms they accept: at the end of a job, on their page. */
export function ClientList({ view, token }: { view: ClientShared; token: string }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [area, setArea] = useState('');
  const [name, setName] = useState(view.recipient);
  const [problem, setProblem] = useState<string>();
  if (!view.completion) return null;
  const { areas, items } = view.completion;
  const ask = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    const sent = await send(
      askItem,
      { id: newId(), text: text.trim(), name: name.trim(), ...(area ? { area } : {}) },
      token,
    );
    setProblem(sent.ok ? undefined : sent.problem.title);
    if (!sent.ok) return;
    setText('');
    router.refresh();
  };
  const accept = async (id: string): Promise<void> => {
    const sent = await send(
      acceptArea,
      { id: newId(), area: id, name: name.trim() || view.recipient, words: '' },
      token,
    );
    setProblem(sent.ok ? undefined : sent.problem.title);
    if (sent.ok) router.refresh();
  };
  return (
    <section>
      <h2>What you want put right</h2>
      <Form className="form-lines my-2 no-print" onSubmit={(event) => void ask(event)}>
        <Form.Group controlId="ask-text">
          <Form.Label className="mb-1">What it is</Form.Label>
          <Form.Control value={text} maxLength={300} onChange={(event) => setText(event.target.value)} />
        </Form.Group>
        <div className="form-pair">
          <Form.Group controlId="ask-area">
            <Form.Label className="mb-1">Where</Form.Label>
            <Form.Select value={area} onChange={(event) => setArea(event.target.value)}>
              <option value="">anywhere</option>
              {areas.map((entry) => (
                <option key={entry.id} value={entry.id}>
                  {entry.name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="ask-name">
            <Form.Label className="mb-1">Your name</Form.Label>
            <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
          </Form.Group>
        </div>
        {problem && (
          <p className="bad mb-0" role="alert">
            {problem}
          </p>
        )}
        <div className="actions">
          <Button type="submit" disabled={text.trim() === '' || name.trim() === ''}>
            Put it on the list
          </Button>
        </div>
      </Form>
      <Lines>
        {items.map((item) => (
          <Line key={item.id} mark={<StateIcon kind={item.state === 'asked' ? 'waiting' : 'done'} />}>
            {item.text}
            {item.area && <span className="soft"> · {item.area}</span>}
            <div className="small-text soft">
              {item.state === 'asked'
                ? 'we will look at it'
                : item.state === 'taken up'
                  ? 'it is on our list'
                  : item.answer}
            </div>
          </Line>
        ))}
      </Lines>
      <h2>Rooms that are as you want them</h2>
      <Lines>
        {areas.map((entry) => (
          <Line
            key={entry.id}
            mark={<StateIcon kind={entry.accepted ? 'done' : 'not-begun'} />}
            beside={
              !entry.accepted && (
                <Button
                  size="sm"
                  variant="outline-secondary"
                  className="no-print"
                  onClick={() => void accept(entry.id)}
                >
                  Accept<Hidden> {entry.name}</Hidden>
                </Button>
              )
            }
          >
            {entry.name}
            {entry.accepted && <div className="small-text soft">{entry.accepted}</div>}
          </Line>
        ))}
      </Lines>
    </section>
  );
}
