'use client';
import { useState } from 'react';
import { answerFinding } from '@/contract/commands/scope';
import type { SiteChoice } from '@/core/scope/brief';
import { CommandForm, SubmitAs, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';

/** A choice that is theirs to make on the spot: one of the ways that were named, or another; and who made it. */
export function ChooseOnSite({ token, recipient, choice }: { token: string; recipient: string; choice: SiteChoice }) {
  const [again, setAgain] = useState(false);
  if (choice.answer && !again)
    return (
      <div className="no-print">
        <LinkButton onClick={() => setAgain(true)}>
          Decide again<Hidden>: {choice.subject}</Hidden>
        </LinkButton>
      </div>
    );
  return (
    <CommandForm
      kind={answerFinding}
      link={token}
      about={choice.id}
      className="my-2 no-print"
      start={() => ({ id: choice.id, answer: '', name: recipient })}
      onDone={() => setAgain(false)}
      submit={<SubmitAs variant="outline-secondary">Save</SubmitAs>}
    >
      <div className="actions">
        {choice.options.map((option) => (
          <SubmitAs key={option} name="answer" value={option} variant="outline-secondary">
            {option}
          </SubmitAs>
        ))}
      </div>
      <div className="form-pair">
        <TextField name="answer" label="Or another way" />
        <TextField name="name" label="Your name" autoComplete="name" />
      </div>
    </CommandForm>
  );
}
