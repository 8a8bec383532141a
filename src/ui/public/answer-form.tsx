'use client';
import { useState } from 'react';
import { publicRoutes } from '@/contract/routes';
import type { ClientShared } from '@/contract/views/news';
import { useMoney } from '../kit/money';
import { ReplyAs, ReplyChoice, ReplyForm, ReplyText } from './reply-form';
import { Hidden } from '../kit/hidden';

interface Terms {
  token: string;
  recipient: string;
}

/** The client agrees with their name; the time is the house's. */
export function AgreeForm({ token, recipient, statement }: Terms & { statement: { id: string; number: number } }) {
  const [read, setRead] = useState(false);
  return (
    <ReplyForm
      type="statement.agree"
      link={token}
      about="agree"
      className="sheet my-3 no-print"
      start={() => ({ id: statement.id, name: recipient })}
      submit={<ReplyAs disabled={!read}>I agree to version {statement.number}</ReplyAs>}
      beside={
        <a className="btn btn-outline-secondary" href={publicRoutes.statement(token)}>
          As a paper (PDF)
        </a>
      }
    >
      <div className="form-check">
        <input
          type="checkbox"
          className="form-check-input"
          id="agree-read"
          checked={read}
          onChange={(event) => setRead(event.target.checked)}
        />
        <label className="form-check-label" htmlFor="agree-read">
          I have read what is in and what is not
        </label>
      </div>
      <ReplyText name="name" label="Your name" autoComplete="name" />
    </ReplyForm>
  );
}

/** The client approves or declines a change, with their name and a word if they like. */
export const AnswerForm = ({ token, recipient, change }: Terms & { change: { id: string; title: string } }) => (
  <ReplyForm
    type="change.answer"
    link={token}
    about={change.id}
    className="my-2 no-print"
    start={() => ({ id: change.id, name: recipient, words: '' })}
    submit={
      <>
        <ReplyAs name="verdict" value="approved">
          I approve<Hidden>: {change.title}</Hidden>
        </ReplyAs>
        <ReplyAs name="verdict" value="declined" quiet>
          I decline<Hidden>: {change.title}</Hidden>
        </ReplyAs>
      </>
    }
  >
    <div className="form-pair">
      <ReplyText name="name" label="Your name" autoComplete="name" />
      <ReplyText name="words" label="Note (optional)" />
    </div>
  </ReplyForm>
);

interface Asked {
  id: string;
  kind: string;
  subject: string;
}

/** The client answers what they were asked: yes, yes on a condition, or no. What the words mean is said on the button. */
export function AnswerRequest({ token, recipient, request }: Terms & { request: Asked }) {
  const [words, setWords] = useState('');
  const said = words.trim() !== '';
  const approval = request.kind === 'approval';
  const about = <Hidden>: {request.subject}</Hidden>;
  return (
    <ReplyForm
      type="request.reply"
      link={token}
      about={request.id}
      className="my-2 no-print"
      start={() => ({ id: request.id, name: recipient, conditions: '' })}
      submit={
        approval ? (
          <>
            <ReplyAs name="outcome" value={said ? 'conditions' : 'granted'}>
              {said ? 'I approve on this condition' : 'I approve'}
              {about}
            </ReplyAs>
            <ReplyAs name="outcome" value="refused" quiet>
              I do not<Hidden> approve: {request.subject}</Hidden>
            </ReplyAs>
          </>
        ) : (
          <ReplyAs name="outcome" value="granted" disabled={!said}>
            Send my answer{about}
          </ReplyAs>
        )
      }
    >
      <div className="form-pair">
        <ReplyText name="name" label="Your name" autoComplete="name" />
        <ReplyText
          name="conditions"
          label={approval ? 'On which condition, or why not' : 'Your answer'}
          onType={setWords}
        />
      </div>
    </ReplyForm>
  );
}

type Choice = ClientShared['choices'][number];

/** The client takes one of what was put side by side. */
export const PickForm = ({ token, recipient, choice }: Terms & { choice: Choice }) => (
  <ReplyForm
    type="selection.pick"
    link={token}
    about={choice.id}
    className="my-2 no-print"
    start={() => ({ id: choice.id, name: recipient, words: '' })}
    submit={
      <ReplyAs>
        I choose this<Hidden> for {choice.what}</Hidden>
      </ReplyAs>
    }
  >
    <ReplyChoice
      name="alternative"
      label={choice.what}
      options={choice.alternatives.map((alternative) => ({
        value: alternative.id,
        shown: <Alternative token={token} alternative={alternative} allowed={choice.allowed} />,
      }))}
    />
    <div className="form-pair">
      <ReplyText name="name" label="Your name" autoComplete="name" />
      <ReplyText name="words" label="Why, if you like" />
    </div>
  </ReplyForm>
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
