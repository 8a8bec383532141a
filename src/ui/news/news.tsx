'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { revokeLink } from '@/contract/commands/news';
import { api, routes } from '@/contract/routes';
import type { LinkView, NewsView, UpdateView } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { JobTabs } from '../shell/job-tabs';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Means } from '../kit/means';
import { Notice } from '../kit/notice';
import { BlockHead, FoldedBlock, PageHead } from '../kit/page';
import { PastLinks } from '../kit/past-links';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { Moved, Unasked } from '../schedule/moved';
import { ShowLink } from './show-link';
import { DoneWords } from './done-words';
import { Draft } from './draft';
import { MakeLink } from './make-link';
import { MessageLine } from './messages';
import { Neighbours } from './neighbours';
import { Questions } from './questions';
import { SendForm } from './send-form';

/** Whom what moved concerns: the letter comes first here, the rest is one press away. */
const MOVED_SHOWN = 2;

/** Who is to be told and what they would read, what went out and what became of it, and the links that are open. */
export function News({ view }: { view: NewsView }) {
  const waiting = view.readers.filter(({ waits }) => waits).length;
  return (
    <>
      <JobTabs job={view.job} />
      <div className="page">
        <PageHead heading="News">
          <span className="soft">
            {waiting === 0 ? 'everybody is told' : `${counted(waiting, 'reader')} to write to`}
          </span>
        </PageHead>
        <div className="news-desk">
          <div>
            <People view={view} />
          </div>
          <div>
            <Questions view={view} />
            <DoneWords words={view.doneWords} />
            <Letter key={view.draft.audience} view={view} />
            <Moved view={view.moved} linksUntil={view.job.linksUntil} shown={MOVED_SHOWN} />
            <Sent view={view} />
          </div>
          <aside>
            <Unasked view={view.moved} linksUntil={view.job.linksUntil} />
            <Neighbours view={view} />
            <Links view={view} />
          </aside>
        </div>
      </div>
    </>
  );
}

/** The list is people: whoever something waits for, and whoever something did not reach. */
function People({ view }: { view: NewsView }) {
  return (
    <>
      <BlockHead heading="Who reads it" />
      <Lines>
        {view.readers.map(({ audience, who, waits, told }) => (
          <Line
            key={audience}
            mark={<StateIcon kind={waits ? 'waiting' : 'done'} silent />}
            className={audience === view.draft.audience ? 'is-chosen' : undefined}
          >
            <Link
              className="fw-bold"
              href={routes.news(view.job.id, audience)}
              scroll={false}
              aria-current={audience === view.draft.audience}
            >
              {who}
            </Link>
            <div className="small-text soft">
              {audience} · {told}
              {waits ? ' · something to tell' : ''}
            </div>
          </Line>
        ))}
      </Lines>
      {view.failed.length > 0 && (
        <>
          <BlockHead heading="Did not arrive" />
          <Lines>
            {view.failed.map((message) => (
              <Line key={message.id}>
                <span className="fw-bold">{message.title}</span>
                <MessageLine message={message} update={undefined} link={undefined} />
              </Line>
            ))}
          </Lines>
        </>
      )}
    </>
  );
}

function Letter({ view }: { view: NewsView }) {
  const { draft, readers } = view;
  const [sending, setSending] = useState(false);
  const [stale, setStale] = useState('');
  const who = readers.find(({ audience }) => audience === draft.audience)?.who ?? '';
  const whom = draft.audience === 'client' ? who : who.toLowerCase();
  return (
    <section>
      <BlockHead heading={<Means of="state.draft">{draft.title}</Means>}>
        <span className="soft small-text push">
          for {whom}: {draft.since}
        </span>
      </BlockHead>
      {stale && <Notice bad>{stale}</Notice>}
      <Draft view={view} />
      <div className="actions mt-3 no-print draft-foot">
        <Button disabled={draft.unsettled > 0 || draft.text === ''} onClick={() => setSending(true)}>
          Send to {whom}
        </Button>
        {draft.unsettled === 0 && (
          <>
            <a className="btn btn-outline-secondary" href={api.jobFile(view.job.id, `${draft.audience}.pdf`)}>
              As a paper (PDF)
            </a>
            <a className="small-text" href={api.jobFile(view.job.id, `${draft.audience}.md`)}>
              Markdown
            </a>
          </>
        )}
        {draft.audience === 'crew' && (
          <a className="small-text" href={api.jobFile(view.job.id, 'look-ahead.pdf')}>
            Three weeks ahead (PDF)
          </a>
        )}
        <span className="soft small-text">
          {draft.unsettled > 0
            ? `${counted(draft.unsettled, 'line')} to settle first.`
            : 'Made from the plan and the records of now, and checked again when it goes.'}
        </span>
      </div>
      <SidePanel title={`Send to ${whom}`} open={sending} onClose={() => setSending(false)}>
        {sending && (
          <SendForm
            view={view}
            onDone={() => {
              setSending(false);
              setStale('');
            }}
            onStale={(words) => {
              setSending(false);
              setStale(words);
            }}
          />
        )}
      </SidePanel>
    </section>
  );
}

function Sent({ view }: { view: NewsView }) {
  const links = new Map(view.links.map((link) => [link.id, link]));
  return (
    <FoldedBlock
      heading="Sent"
      says={view.updates[0] ? `${view.updates.length}, the last ${view.updates[0].when}` : 'nothing yet'}
      open={view.updates.some(({ messages }) => messages.some(({ state }) => state !== 'delivered'))}
      beside={<Link href={routes.told()}>Over all jobs</Link>}
    >
      {view.updates.length === 0 && <p className="soft mt-2">Nothing was sent yet.</p>}
      <Lines>
        {view.updates.map((update) => (
          <SentLine key={update.id} update={update} links={links} />
        ))}
      </Lines>
      <PastLinks past={view.past} page={routes.news(view.job.id)} />
    </FoldedBlock>
  );
}

function SentLine({ update, links }: { update: UpdateView; links: ReadonlyMap<string, LinkView> }) {
  const states = new Set(update.messages.map(({ state }) => state));
  return (
    <Line
      id={update.id}
      mark={<StateIcon kind={states.has('failed') ? 'stop' : states.has('queued') ? 'waiting' : 'done'} />}
    >
      <details>
        <summary>
          <span className="fw-bold">{update.title}</span>{' '}
          <span className="soft small-text">
            {update.audience}, sent {update.when}
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

function Links({ view }: { view: NewsView }) {
  const [linking, setLinking] = useState(false);
  return (
    <FoldedBlock
      heading="Links"
      of="word.link"
      says={view.links.length === 0 ? 'none yet' : `${view.links.filter(({ state }) => state === 'open').length} open`}
      beside={<LinkButton onClick={() => setLinking(true)}>Make a link</LinkButton>}
    >
      {view.links.length === 0 && (
        <p className="soft mt-2">None yet. Every message that goes out carries one of its own.</p>
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
      <SidePanel title="Make a link" open={linking} onClose={() => setLinking(false)}>
        <MakeLink view={view} onDone={() => setLinking(false)} />
      </SidePanel>
    </FoldedBlock>
  );
}

const stateOf = ({ own, state, expiresOn }: LinkView, today: string): string => {
  if (own && state !== 'revoked') return 'by their own sign-in';
  return state === 'open' ? `open until ${formatDay(expiresOn, today)}` : state;
};

function LinkLine({ link, today }: { link: LinkView; today: string }) {
  const { busy, give } = useSend();
  return (
    <Line mark={<StateIcon kind={link.state === 'open' ? 'under-way' : 'stop'} silent />}>
      <span className="fw-bold" data-link={link.id}>
        {link.recipient}
      </span>{' '}
      <span className="soft small-text">{link.audience}</span>
      <div className="small-text soft">
        {stateOf(link, today)} · opened {counted(link.opened, 'time')}
      </div>
      {link.shown.length > 0 && (
        <div className="small-text soft">
          address shown to {link.shown.map(({ who, when }) => `${who}, ${when}`).join('; ')}
        </div>
      )}
      {link.answers.map(({ key, when, from, insider }) => (
        <div key={key} className="small-text soft">
          answered {when} from {from}
          {insider && <span className="bad">, a browser in which {insider} was signed in</span>}
        </div>
      ))}
      {link.state === 'open' && (
        <div className="small-text">
          {!link.own && (
            <>
              <ShowLink link={link} />
              {' · '}
            </>
          )}
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
