'use client';
import { useState } from 'react';
import { passOnMessage, readdressMessage, retryMessage } from '@/contract/commands/news';
import type { LinkView, MessageView, UpdateView } from '@/contract/views/news';
import { isNumber } from '@/core/news/address';
import { CommandForm, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { mailTo } from '../kit/mail';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { useIsDemo, useSending } from '../shell/demo';
import { addressOf, ShowLink } from './show-link';

const MARKS = { failed: 'stop', queued: 'waiting', sent: 'under-way', delivered: 'done' } as const;

/** What became of a message to one person, and what can be done about it. */
export function MessageLine({
  message,
  update,
  link,
}: {
  message: MessageView;
  update: Pick<UpdateView, 'title' | 'body'> | undefined;
  link: LinkView | undefined;
}) {
  const { busy, give } = useSend();
  const sending = useSending();
  const texts = useIsDemo();
  const isByHand = message.state === 'queued' && (isNumber(message.address) ? !texts : sending === 'by hand');
  return (
    <div className="small-text">
      <StateIcon kind={MARKS[message.state]} silent /> {message.recipient}{' '}
      <span className="soft">{message.address}</span> · {stateWords(message, link, isByHand)}
      {message.failure && <span className="bad">: {message.failure}</span>}
      {message.again && (
        <span className="soft">
          {' '}
          It {message.failure ? 'is tried again' : 'goes out'} {message.again}.
        </span>
      )}
      {message.acknowledged && <span className="good"> · read by {message.acknowledged}</span>}
      {isByHand && (
        <span className="d-inline-flex gap-3 ms-2 no-print">
          {update && (
            <LinkButton onClick={() => void openLetter(message, update, link)}>
              Open in your e-mail<Hidden> to {message.recipient}</Hidden>
            </LinkButton>
          )}
          {link && <ShowLink link={link} />}
          <LinkButton
            disabled={busy}
            onClick={() => void give(passOnMessage, { id: message.id }, { text: `${message.recipient} was told.` })}
          >
            I have sent it<Hidden> to {message.recipient}</Hidden>
          </LinkButton>
        </span>
      )}
      {message.state === 'failed' && <PutRight message={message} />}
    </div>
  );
}

/** Once its link was opened, it came, whatever carried it. */
function stateWords({ state }: MessageView, link: LinkView | undefined, isByHand: boolean): string {
  if (isByHand) return 'to be sent by you';
  if (state === 'queued') return 'on its way';
  return link && link.opened > 0 ? `${state}, opened` : state;
}

/** A message that did not arrive: the right address, which is kept, or the same once more. */
function PutRight({ message }: { message: MessageView }) {
  const { busy, give } = useSend();
  const [open, setOpen] = useState(false);
  return (
    <span className="d-inline-flex gap-3 ms-2 no-print">
      <LinkButton onClick={() => setOpen(true)}>
        Put the address right<Hidden> of {message.recipient}</Hidden>
      </LinkButton>
      <LinkButton
        disabled={busy}
        onClick={() => void give(retryMessage, { id: message.id }, { text: 'On its way again.' })}
      >
        Try again
      </LinkButton>
      <SidePanel title={`The address of ${message.recipient}`} open={open} onClose={() => setOpen(false)}>
        <p className="small-text soft">
          {message.failure} What you write here is kept, and the message goes there at once.
        </p>
        <CommandForm
          kind={readdressMessage}
          submit="Send it there"
          onDone={() => setOpen(false)}
          start={() => ({ id: message.id, address: message.address })}
        >
          <TextField name="address" label="Their e-mail, or telephone for a text" />
        </CommandForm>
      </SidePanel>
    </span>
  );
}

/** Opens the message in one's own mail program, with the address of its page. */
async function openLetter(
  { address }: MessageView,
  { title, body }: Pick<UpdateView, 'title' | 'body'>,
  link: LinkView | undefined,
): Promise<void> {
  const path = link && (await addressOf(link.id));
  const page = path === undefined ? '' : `\n\n${window.location.origin}${path}`;
  window.location.assign(mailTo({ address, subject: title, body: `${body}${page}` }));
}
