'use client';
import { useState } from 'react';
import type { SiteChoice } from '@/core/scope/brief';
import { ReplyAs, ReplyForm, ReplyText } from './reply-form';
import { Hidden } from '../kit/hidden';

/** A choice that is theirs to make on the spot: one of the ways that were named, or another; and who made it. */
export function ChooseOnSite({ token, recipient, choice }: { token: string; recipient: string; choice: SiteChoice }) {
  const [again, setAgain] = useState(false);
  if (choice.answer && !again)
    return (
      <div className="no-print">
        <button type="button" className="btn btn-link btn-sm p-0" onClick={() => setAgain(true)}>
          Decide again<Hidden>: {choice.subject}</Hidden>
        </button>
      </div>
    );
  return (
    <ReplyForm
      type="finding.answer"
      link={token}
      about={choice.id}
      className="my-2 no-print"
      start={() => ({ id: choice.id, answer: '', name: recipient })}
      onDone={() => setAgain(false)}
      submit={<ReplyAs quiet>Save</ReplyAs>}
    >
      <div className="actions">
        {choice.options.map((option) => (
          <ReplyAs key={option} name="answer" value={option} quiet>
            {option}
          </ReplyAs>
        ))}
      </div>
      <div className="form-pair">
        <ReplyText name="answer" label="Or another way" />
        <ReplyText name="name" label="Your name" autoComplete="name" />
      </div>
    </ReplyForm>
  );
}
