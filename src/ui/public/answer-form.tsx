'use client';
import { publicRoutes } from '@/contract/routes';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { agreeStatement, answerChange } from '@/contract/commands/scope';
import { pickAlternative, replyRequest } from '@/contract/commands/selections';
import type { ClientShared } from '@/contract/views/news';
import { formatMoney } from '@/core/units/money';
import type { Sent } from '../offline/send';
import { send } from '../offline/send';
import { Hidden } from '../kit/hidden';

interface Terms {
  token: string;
  recipient: string;
}

function useAnswer(): { problem: string | undefined; busy: boolean; give: (sending: Promise<Sent>) => Promise<void> } {
  const router = useRouter();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  return {
    problem,
    busy,
    give: async (sending) => {
      setBusy(true);
      const sent = await sending;
      setBusy(false);
      setProblem(sent.ok ? undefined : sent.problem.title);
      if (sent.ok) router.refresh();
    },
  };
}

/** The client agrees with their name; the time is the house's. */
export function AgreeForm({ token, recipient, statement }: Terms & { statement: { id: string; number: number } }) {
  const { give, problem, busy } = useAnswer();
  const [name, setName] = useState(recipient);
  const [read, setRead] = useState(false);
  return (
    <Form
      className="form-lines sheet my-3 no-print"
      onSubmit={(event) => {
        event.preventDefault();
        void give(send(agreeStatement, { id: statement.id, name: name.trim() }, token));
      }}
    >
      <Form.Check
        id="agree-read"
        label="I have read what is in and what is not"
        checked={read}
        onChange={(event) => setRead(event.target.checked)}
      />
      <Form.Group controlId="agree-name">
        <Form.Label className="mb-1">Your name</Form.Label>
        <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
      </Form.Group>
      {problem && (
        <p className="bad mb-0" role="alert">
          {problem}
        </p>
      )}
      <div className="actions">
        <Button type="submit" disabled={busy || !read || name.trim() === ''}>
          I agree to version {statement.number}
        </Button>
        <a className="btn btn-outline-secondary" href={publicRoutes.statement(token)}>
          As a paper (PDF)
        </a>
      </div>
    </Form>
  );
}

/** The client approves or declines a change, with their name and a word if they like. */
export function AnswerForm({ token, recipient, change }: Terms & { change: { id: string; title: string } }) {
  const { give, problem, busy } = useAnswer();
  const [name, setName] = useState(recipient);
  const [words, setWords] = useState('');
  const answer = (verdict: 'approved' | 'declined'): void =>
    void give(send(answerChange, { id: change.id, verdict, name: name.trim(), words: words.trim() }, token));
  return (
    <Form
      className="form-lines my-2 no-print"
      onSubmit={(event) => {
        event.preventDefault();
        answer('approved');
      }}
    >
      <div className="form-pair">
        <Form.Group controlId={`answer-name-${change.id}`}>
          <Form.Label className="mb-1">Your name</Form.Label>
          <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        </Form.Group>
        <Form.Group controlId={`answer-words-${change.id}`}>
          <Form.Label className="mb-1">A word, if you like</Form.Label>
          <Form.Control value={words} maxLength={300} onChange={(event) => setWords(event.target.value)} />
        </Form.Group>
      </div>
      {problem && (
        <p className="bad mb-0" role="alert">
          {problem}
        </p>
      )}
      <div className="actions">
        <Button type="submit" disabled={busy || name.trim() === ''}>
          I approve<Hidden>: {change.title}</Hidden>
        </Button>
        <Button variant="outline-secondary" disabled={busy || name.trim() === ''} onClick={() => answer('declined')}>
          I decline<Hidden>: {change.title}</Hidden>
        </Button>
      </div>
    </Form>
  );
}

/** The client answers what they were asked: yes, yes on a condition, or no. */
export function ReplyForm({
  token,
  recipient,
  request,
}: Terms & { request: { id: string; kind: string; subject: string } }) {
  const { give, problem, busy } = useAnswer();
  const [name, setName] = useState(recipient);
  const [words, setWords] = useState('');
  const answer = (outcome: 'granted' | 'conditions' | 'refused'): void =>
    void give(send(replyRequest, { id: request.id, name: name.trim(), outcome, conditions: words.trim() }, token));
  const said = words.trim() !== '';
  return (
    <Form
      className="form-lines my-2 no-print"
      onSubmit={(event) => {
        event.preventDefault();
        answer(said && request.kind === 'approval' ? 'conditions' : 'granted');
      }}
    >
      <div className="form-pair">
        <Form.Group controlId={`reply-name-${request.id}`}>
          <Form.Label className="mb-1">Your name</Form.Label>
          <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        </Form.Group>
        <Form.Group controlId={`reply-words-${request.id}`}>
          <Form.Label className="mb-1">
            {request.kind === 'approval' ? 'On which condition, or why not' : 'Your answer'}
          </Form.Label>
          <Form.Control value={words} maxLength={600} onChange={(event) => setWords(event.target.value)} />
        </Form.Group>
      </div>
      {problem && (
        <p className="bad mb-0" role="alert">
          {problem}
        </p>
      )}
      <div className="actions">
        <Button type="submit" disabled={busy || name.trim() === '' || (request.kind !== 'approval' && !said)}>
          {request.kind === 'approval' ? (said ? 'I approve on this condition' : 'I approve') : 'Send my answer'}
          <Hidden>: {request.subject}</Hidden>
        </Button>
        {request.kind === 'approval' && (
          <Button variant="outline-secondary" disabled={busy || name.trim() === ''} onClick={() => answer('refused')}>
            I do not<Hidden> approve: {request.subject}</Hidden>
          </Button>
        )}
      </div>
    </Form>
  );
}

/** The client takes one of what was put side by side. */
export function PickForm({ token, recipient, choice }: Terms & { choice: ClientShared['choices'][number] }) {
  const { give, problem, busy } = useAnswer();
  const [name, setName] = useState(recipient);
  const [words, setWords] = useState('');
  const [picked, setPicked] = useState('');
  return (
    <Form
      className="form-lines my-2 no-print"
      onSubmit={(event) => {
        event.preventDefault();
        void give(
          send(pickAlternative, { id: choice.id, alternative: picked, name: name.trim(), words: words.trim() }, token),
        );
      }}
    >
      <fieldset>
        <legend className="visually-hidden">{choice.what}</legend>
        {choice.alternatives.map((alternative) => (
          <Form.Check
            key={alternative.id}
            type="radio"
            name={`pick-${choice.id}`}
            id={`pick-${alternative.id}`}
            checked={picked === alternative.id}
            onChange={() => setPicked(alternative.id)}
            label={
              <>
                {alternative.picture && (
                  <img
                    src={publicRoutes.picture(token, alternative.picture, 240)}
                    alt=""
                    width={120}
                    height={90}
                    className="d-block mb-1"
                    style={{ objectFit: 'cover' }}
                  />
                )}
                <span className="fw-bold">{alternative.choice}</span>
                {alternative.price !== null && <span className="mono"> {formatMoney(alternative.price)}</span>}
                {(alternative.look || alternative.upkeep) && (
                  <span className="small-text soft d-block">
                    {[alternative.look, alternative.upkeep].filter(Boolean).join('; ')}
                  </span>
                )}
              </>
            }
          />
        ))}
      </fieldset>
      <div className="form-pair">
        <Form.Group controlId={`pick-name-${choice.id}`}>
          <Form.Label className="mb-1">Your name</Form.Label>
          <Form.Control value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        </Form.Group>
        <Form.Group controlId={`pick-words-${choice.id}`}>
          <Form.Label className="mb-1">Why, if you like</Form.Label>
          <Form.Control value={words} maxLength={300} onChange={(event) => setWords(event.target.value)} />
        </Form.Group>
      </div>
      {problem && (
        <p className="bad mb-0" role="alert">
          {problem}
        </p>
      )}
      <div className="actions">
        <Button type="submit" disabled={busy || picked === '' || name.trim() === ''}>
          I choose this<Hidden> for {choice.what}</Hidden>
        </Button>
      </div>
    </Form>
  );
}
