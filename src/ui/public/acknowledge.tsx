'use client';
import { useState } from 'react';
import { ReplyForm, ReplyText } from './reply-form';
import { StateIcon } from '../kit/state-icon';

/** One tap says that it was read. */
export function Acknowledge({ token, recipient, done }: { token: string; recipient: string; done: string | null }) {
  const [read, setRead] = useState(done);
  if (read)
    return (
      <p className="good">
        <StateIcon kind="checked" silent /> Read by {read}. Thank you.
      </p>
    );
  return (
    <ReplyForm
      type="message.acknowledge"
      link={token}
      about="read"
      className="no-print"
      submit="I have read it"
      start={() => ({ name: recipient })}
      onDone={({ name }) => setRead(String(name))}
    >
      <ReplyText name="name" label="Your name" autoComplete="name" />
    </ReplyForm>
  );
}
