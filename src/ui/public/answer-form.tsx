'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useWatch } from 'react-hook-form';
import { answerChange } from '@/contract/commands/changes';
import { agreeStatement } from '@/contract/commands/scope';
import { pickAlternative, replyRequest } from '@/contract/commands/selections';
import { publicRoutes } from '@/contract/routes';
import type { ClientShared } from '@/contract/views/news';
import { useMoney } from '../kit/money';
import { ChoiceField, CommandForm, SubmitAs, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';

interface Terms {
  token: string;
  recipient: string;
}

/** The client agrees with their name; the time is the house's. */
export function AgreeForm({ token, recipient, statement }: Terms & { statement: { id: string; number: number } }) {
  const [read, setRead] = useState(false);
  return (
    <CommandForm
      kind={agreeStatement}
      link={token}
      about="agree"
      className="sheet my-3 no-print"
      start={() => ({ id: statement.id, name: recipient })}
      submit={<SubmitAs disabled={!read}>I agree to version {statement.number}</SubmitAs>}
      beside={
        <a className="btn btn-outline-secondary" href={publicRoutes.statement(token)}>
          As a paper (PDF)
        </a>
      }
    >
      <Form.Check
        id="agree-read"
        label="I have read what is in and what is not"
        checked={read}
        onChange={(event) => setRead(event.target.checked)}
      />
      <TextField name="name" label="Your name" autoComplete="name" />
    </CommandForm>
  );
}

/** The client approves or declines a change, with their name and a word if they like. */
export const AnswerForm = ({ token, recipient, change }: Terms & { change: { id: string; title: string } }) => (
  <CommandForm
    kind={answerChange}
    link={token}
    about={change.id}
    className="my-2 no-print"
    start={() => ({ id: change.id, name: recipient, words: '' })}
    submit={
      <>
        <SubmitAs name="verdict" value="approved">
          I approve<Hidden>: {change.title}</Hidden>
        </SubmitAs>
        <SubmitAs name="verdict" value="declined" variant="outline-secondary">
          I decline<Hidden>: {change.title}</Hidden>
        </SubmitAs>
      </>
    }
  >
    <div className="form-pair">
      <TextField name="name" label="Your name" autoComplete="name" />
      <TextField name="words" label="Note (optional)" />
    </div>
  </CommandForm>
);

interface Asked {
  id: string;
  kind: string;
  subject: string;
}

/** The client answers what they were asked: yes, yes on a condition, or no. */
export const ReplyForm = ({ token, recipient, request }: Terms & { request: Asked }) => (
  <CommandForm
    kind={replyRequest}
    link={token}
    about={request.id}
    className="my-2 no-print"
    start={() => ({ id: request.id, name: recipient, conditions: '' })}
    submit={<ReplyButtons request={request} />}
  >
    <div className="form-pair">
      <TextField name="name" label="Your name" autoComplete="name" />
      <TextField
        name="conditions"
        label={request.kind === 'approval' ? 'On which condition, or why not' : 'Your answer'}
      />
    </div>
  </CommandForm>
);

/** What the words mean is said on the button: a condition, or the answer itself. */
function ReplyButtons({ request }: { request: Asked }) {
  const words = useWatch({ name: 'conditions' }) as string | undefined;
  const said = (words ?? '').trim() !== '';
  const about = <Hidden>: {request.subject}</Hidden>;
  if (request.kind !== 'approval')
    return (
      <SubmitAs name="outcome" value="granted" disabled={!said}>
        Send my answer{about}
      </SubmitAs>
    );
  return (
    <>
      <SubmitAs name="outcome" value={said ? 'conditions' : 'granted'}>
        {said ? 'I approve on this condition' : 'I approve'}
        {about}
      </SubmitAs>
      <SubmitAs name="outcome" value="refused" variant="outline-secondary">
        I do not<Hidden> approve: {request.subject}</Hidden>
      </SubmitAs>
    </>
  );
}

type Choice = ClientShared['choices'][number];

/** The client takes one of what was put side by side. */
export const PickForm = ({ token, recipient, choice }: Terms & { choice: Choice }) => (
  <CommandForm
    kind={pickAlternative}
    link={token}
    about={choice.id}
    className="my-2 no-print"
    start={() => ({ id: choice.id, name: recipient, words: '' })}
    submit={
      <SubmitAs>
        I choose this<Hidden> for {choice.what}</Hidden>
      </SubmitAs>
    }
  >
    <ChoiceField
      name="alternative"
      label={choice.what}
      options={choice.alternatives.map((alternative) => ({
        value: alternative.id,
        shown: <Alternative token={token} alternative={alternative} allowed={choice.allowed} />,
      }))}
    />
    <div className="form-pair">
      <TextField name="name" label="Your name" autoComplete="name" />
      <TextField name="words" label="Why, if you like" />
    </div>
  </CommandForm>
);

/** What an alternative costs; where something is allowed for, how it stands to that. */
function AlternativePrice({ price, allowed }: { price: number; allowed: number | null }) {
  const money = useMoney();
  return (
    <>
      <span className="mono"> {money(price)}</span>
      {allowed !== null && (
        <span className="small-text soft">
          {' '}
          {price === allowed
            ? 'as allowed for'
            : `${money(Math.abs(price - allowed))} ${price > allowed ? 'more' : 'less'} than allowed for`}
        </span>
      )}
    </>
  );
}

const Alternative = ({
  token,
  alternative,
  allowed,
}: {
  token: string;
  alternative: Choice['alternatives'][number];
  allowed: number | null;
}) => (
  <>
    {alternative.picture && (
      <img
        src={publicRoutes.picture(token, alternative.picture, 240)}
        alt=""
        width={120}
        height={90}
        className="d-block mb-1 object-fit-cover"
      />
    )}
    <span className="fw-bold">{alternative.choice}</span>
    {alternative.price !== null && <AlternativePrice price={alternative.price} allowed={allowed} />}
    {(alternative.look || alternative.upkeep) && (
      <span className="small-text soft d-block">
        {[alternative.look, alternative.upkeep].filter(Boolean).join('; ')}
      </span>
    )}
  </>
);
