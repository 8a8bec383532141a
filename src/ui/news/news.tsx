'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { dropUpdate, editUpdate, passOnMessage, retryMessage, revokeLink } from '@/contract/commands/news';
import { routes } from '@/contract/routes';
import type { LinkView, MessageView, NewsView, UpdateView } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { useIsDemo } from '../shell/demo';
import { MakeLink } from './make-link';
import { SendForm } from './send-form';
import { Hidden } from '../kit/hidden';
import { BlockHead, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { mailTo } from '../kit/mail';
import { PastLinks } from '../kit/past-links';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

/** Drafts by audience, what went out and what became of it, and the links that are open. */
export function News({ view }: { view: NewsView }) {
  const [editing, setEditing] = useState<UpdateView>();
  const [sending, setSending] = useState<UpdateView>();
  const [linking, setLinking] = useState(false);
  const drafts = view.updates.filter((update) => update.state === 'draft');
  const sent = view.updates.filter((update) => update.state === 'sent');
  const links = new Map(view.links.map((link) => [link.id, link]));
  return (
    <>
      <JobTabs job={view.job} />
      <div className="page">
        <PageHead heading="News">
          <span className="soft">
            {drafts.length === 0 ? 'everything is sent' : `${drafts.length} to read and send`}
          </span>
        </PageHead>
        <div className="main-and-aside">
          <div>
            <BlockHead heading={<Means of="state.draft">Drafts</Means>} />
            {drafts.length === 0 && (
              <p className="soft mt-2">
                Nothing is waiting. A finished walk drafts one update for the client and one for the crew.
              </p>
            )}
            {drafts.map((draft) => (
              <Draft key={draft.id} draft={draft} onEdit={() => setEditing(draft)} onSend={() => setSending(draft)} />
            ))}
            <BlockHead heading="Sent" />
            {sent.length === 0 && <p className="soft mt-2">Nothing was sent yet.</p>}
            <Lines>
              {sent.map((update) => (
                <SentLine key={update.id} update={update} links={links} />
              ))}
            </Lines>
            <PastLinks past={view.past} page={routes.news(view.job.id)} />
          </div>
          <aside>
            <BlockHead heading={<Means of="word.link">Links that were given out</Means>}>
              <LinkButton className="push" onClick={() => setLinking(true)}>
                Make a link
              </LinkButton>
            </BlockHead>
            {view.links.length === 0 && (
              <p className="soft mt-2">None yet. Every update that is sent carries one of its own.</p>
            )}
            <Lines>
              {view.links.map((link) => (
                <LinkLine key={link.id} link={link} today={view.today} />
              ))}
            </Lines>
            {view.moreLinks && (
              <p className="small-text">
                <Link href={routes.newsWithLinks(view.job.id)} scroll={false}>
                  All links that open
                </Link>
              </p>
            )}
          </aside>
        </div>
        <SidePanel title="Change the words" open={editing !== undefined} onClose={() => setEditing(undefined)}>
          {editing && (
            <CommandForm
              kind={editUpdate}
              submit="Save"
              onDone={() => setEditing(undefined)}
              start={() => ({ id: editing.id, version: editing.version, title: editing.title, body: editing.body })}
            >
              <TextField name="title" label="Title" />
              <TextField name="body" label="Text" rows={18} />
            </CommandForm>
          )}
        </SidePanel>
        <SidePanel
          title={sending ? `Send to ${sending.audience === 'client' ? 'the client' : 'the crew'}` : ''}
          open={sending !== undefined}
          onClose={() => setSending(undefined)}
        >
          {sending && <SendForm key={sending.id} update={sending} view={view} onDone={() => setSending(undefined)} />}
        </SidePanel>
        <SidePanel title="Make a link" open={linking} onClose={() => setLinking(false)}>
          <MakeLink view={view} onDone={() => setLinking(false)} />
        </SidePanel>
      </div>
    </>
  );
}

function Draft({ draft, onEdit, onSend }: { draft: UpdateView; onEdit: () => void; onSend: () => void }) {
  const { busy, give } = useSend();
  const { id, version } = draft;
  return (
    <article id={id} className="sheet mt-3">
      <h3 className="fs-5 mb-0">{draft.title}</h3>
      <p className="soft small-text">
        for the {draft.audience}, {draft.when}
      </p>
      <div className="update-text">{draft.body}</div>
      <div className="actions mt-3 no-print">
        <Button onClick={onSend}>
          Send
          <Hidden>
            {' '}
            to the {draft.audience}: {draft.title}
          </Hidden>
        </Button>
        <Button variant="outline-secondary" onClick={onEdit}>
          Change the words
        </Button>
        <Button
          variant="link"
          disabled={busy}
          onClick={() =>
            void give(
              dropUpdate,
              { id, version },
              {
                text: 'Dropped.',
                back: 'Taken up again.',
              },
            )
          }
        >
          Remove
        </Button>
      </div>
    </article>
  );
}

function SentLine({ update, links }: { update: UpdateView; links: ReadonlyMap<string, LinkView> }) {
  return (
    <Line
      id={update.id}
      mark={
        <StateIcon
          kind={
            update.messages.some((message) => message.state === 'failed')
              ? 'stop'
              : update.messages.some((message) => message.state === 'queued')
                ? 'waiting'
                : 'done'
          }
        />
      }
    >
      <details>
        <summary>
          <span className="fw-bold">{update.title}</span>{' '}
          <span className="soft small-text">
            {update.audience}, {update.when}
          </span>
        </summary>
        <div className="update-text sheet mt-2">{update.body}</div>
      </details>
      {update.messages.map((message) => (
        <MessageLine key={message.id} message={message} update={update} link={links.get(message.linkId)} />
      ))}
    </Line>
  );
}

function MessageLine({
  message,
  update,
  link,
}: {
  message: MessageView;
  update: UpdateView;
  link: LinkView | undefined;
}) {
  const { busy, give } = useSend();
  const isByHand = !useIsDemo() && message.state !== 'delivered';
  return (
    <div className="small-text">
      <StateIcon kind={message.state === 'failed' ? 'stop' : message.state === 'queued' ? 'waiting' : 'done'} silent />{' '}
      {message.recipient} <span className="soft">{message.address}</span> ·{' '}
      {isByHand ? 'to be sent by you' : message.state === 'queued' ? 'on its way' : message.state}
      {message.failure && <span className="bad">: {message.failure}</span>}
      {message.acknowledged && <span className="good"> · read by {message.acknowledged}</span>}
      {isByHand && (
        <span className="d-inline-flex gap-3 ms-2 no-print">
          <LinkButton onClick={() => window.location.assign(letterOf(message, update, link))}>
            Open in your e-mail<Hidden> to {message.recipient}</Hidden>
          </LinkButton>
          {link && <CopyLink path={link.path} />}
          <LinkButton
            disabled={busy}
            onClick={() => void give(passOnMessage, { id: message.id }, { text: `${message.recipient} was told.` })}
          >
            I have sent it<Hidden> to {message.recipient}</Hidden>
          </LinkButton>
        </span>
      )}
      {message.state === 'failed' && !isByHand && (
        <LinkButton
          className="ms-2"
          disabled={busy}
          onClick={() => void give(retryMessage, { id: message.id }, { text: 'On its way again.' })}
        >
          Try again
        </LinkButton>
      )}
    </div>
  );
}

/** The message in one's own mail program, with the address of its page. */
function letterOf(message: MessageView, update: UpdateView, link: LinkView | undefined): string {
  const page = link ? `\n\n${window.location.origin}${link.path}` : '';
  return mailTo({ address: message.address, subject: update.title, body: `${update.body}${page}` });
}

function LinkLine({ link, today }: { link: LinkView; today: string }) {
  const { busy, give } = useSend();
  return (
    <Line mark={<StateIcon kind={link.state === 'open' ? 'under-way' : 'stop'} silent />}>
      <span className="fw-bold">{link.recipient}</span> <span className="soft small-text">{link.audience}</span>
      <div className="small-text soft">
        {link.state === 'open' ? `open until ${formatDay(link.expiresOn, today)}` : link.state} · opened {link.opened}{' '}
        {link.opened === 1 ? 'time' : 'times'}
      </div>
      {link.state === 'open' && (
        <div className="small-text">
          <a href={link.path} target="_blank" rel="noreferrer">
            Look at it<Hidden> as {link.recipient}</Hidden>
          </a>
          {' · '}
          <CopyLink path={link.path} />
          {' · '}
          <LinkButton
            disabled={busy}
            onClick={() =>
              void give(revokeLink, { id: link.id }, { text: `The link of ${link.recipient} opens no more.` })
            }
          >
            Revoke<Hidden> the link of {link.recipient}</Hidden>
          </LinkButton>
        </div>
      )}
    </Line>
  );
}

function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <LinkButton
      onClick={() =>
        void navigator.clipboard.writeText(new URL(path, window.location.href).href).then(() => setCopied(true))
      }
    >
      {copied ? 'Copied' : 'Copy'}
    </LinkButton>
  );
}
