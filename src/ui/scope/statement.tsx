'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { makeStatement, sendStatement } from '@/contract/commands/scope';
import type { StatementView } from '@/contract/views/scope';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { Notice } from '../kit/notice';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { StatementBody, StatementChanges } from '../kit/statement-body';
import { useSend } from '../kit/use-send';
import { newSending } from '../kit/new-sending';
import { newId } from '../offline/send';
import { ScopeTabs } from './scope-tabs';
import { SendFields } from '../kit/send-fields';
import type { StatementVersion } from '@/contract/views/scope';
import type { Statement } from '@/core/scope/statement';
import { Block, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Line, Lines } from '../kit/lines';

const STATES = { made: 'not sent yet', sent: 'sent, not agreed yet', agreed: 'agreed' } as const;

/** What the client agrees to: made from what is written down, kept version by version, agreed on their link. */
export function StatementPage({ view }: { view: StatementView }) {
  const router = useRouter();
  const { give, busy } = useSend();
  const [sending, setSending] = useState(false);
  const { shown, content, diff } = view;
  const newest = view.versions[0];
  const make = async (): Promise<void> => {
    if (
      await give(
        makeStatement,
        { id: newId(), job: view.job.id },
        { text: `Version ${(newest?.number ?? 0) + 1} is made.` },
      )
    )
      router.push(routes.statement(view.job.id));
  };
  const paper = (kind: 'pdf' | 'csv'): string => api.jobFile(view.job.id, `statement.${kind}`, shown?.number);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <StatementHead
          shown={shown}
          newest={newest}
          view={view}
          busy={busy}
          content={content}
          make={make}
          setSending={setSending}
          paper={paper}
        />
        <div className="main-and-aside statement-page">
          <div>
            {shown?.agreed && (
              <p className="good">
                <StateIcon kind="checked" silent /> Agreed by {shown.agreed}
              </p>
            )}
            {view.outdated && shown?.id === newest?.id && (
              <Notice>
                What is written down has changed since version {newest?.number}. A new version says what changed.
              </Notice>
            )}
            {diff && <StatementChanges diff={diff} against={diff.against} />}
            {content.areas.length === 0 ? (
              <Empty>
                <p>Nothing is written down yet. A statement is made from the lines of the first visit.</p>
                <Link className="btn btn-primary" href={routes.firstVisit(view.job.id)}>
                  To the first visit
                </Link>
              </Empty>
            ) : (
              <StatementBody content={content} folded />
            )}
          </div>
          <Versions view={view} shown={shown} />
        </div>
        <SendPanel shown={shown} sending={sending} setSending={setSending} view={view} />
      </div>
    </>
  );
}

/** Which version is shown, and what can be done with it. */
function StatementHead({
  shown,
  newest,
  view,
  busy,
  content,
  make,
  setSending,
  paper,
}: {
  shown: StatementVersion | null;
  newest: StatementVersion | undefined;
  view: StatementView;
  busy: boolean;
  content: Statement;
  make: () => Promise<void>;
  setSending: (next: boolean) => void;
  paper: (kind: 'pdf' | 'csv') => string;
}) {
  return (
    <PageHead heading={<Means of="word.statement">Statement</Means>}>
      <span className="soft">
        {shown ? `version ${shown.number}, ${STATES[shown.state]}` : 'as it would be today; no version was made yet'}
      </span>
      <span className="push actions no-print">
        {(!newest || view.outdated) && (
          <Button
            variant={newest ? 'outline-secondary' : 'primary'}
            disabled={busy || content.areas.length === 0}
            onClick={() => void make()}
          >
            Make version {(newest?.number ?? 0) + 1}
          </Button>
        )}
        {shown && shown.id === newest?.id && shown.state !== 'agreed' && (
          <Button onClick={() => setSending(true)}>
            {shown.state === 'sent' ? 'Send again' : 'Send to the client'}
          </Button>
        )}
        <a className="btn btn-outline-secondary" href={paper('pdf')}>
          PDF
        </a>
        <a className="btn btn-outline-secondary" href={paper('csv')}>
          CSV
        </a>
        <PrintButton>Print</PrintButton>
      </span>
    </PageHead>
  );
}

/** Sending a version to the client. */
function SendPanel({
  shown,
  sending,
  setSending,
  view,
}: {
  shown: StatementVersion | null;
  sending: boolean;
  setSending: (next: boolean) => void;
  view: StatementView;
}) {
  return (
    <SidePanel title={`Send version ${shown?.number ?? ''}`} open={sending} onClose={() => setSending(false)}>
      {sending && shown && (
        <CommandForm
          kind={sendStatement}
          submit="Send"
          onDone={() => setSending(false)}
          start={() => ({
            id: shown.id,
            version: shown.version,
            ...newSending(view.client.name, view.client.address, view.job.linksUntil),
          })}
        >
          {view.gaps.length > 0 && (
            <p className="soon mb-0">
              {view.gaps.length} {view.gaps.length === 1 ? 'thing is' : 'things are'} not settled yet; they stand beside
              the statement.
            </p>
          )}
          <SendFields />
        </CommandForm>
      )}
    </SidePanel>
  );
}

/** Versions. */
function Versions({ view, shown }: { view: StatementView; shown: StatementVersion | null }) {
  return (
    <aside className="no-print">
      <Block heading="Versions">
        <Lines>
          {view.versions.map((version) => (
            <Line
              key={version.id}
              mark={
                <StateIcon
                  kind={version.state === 'agreed' ? 'done' : version.state === 'sent' ? 'waiting' : 'not-begun'}
                  silent
                />
              }
            >
              <Link
                href={routes.statement(view.job.id, version.number)}
                {...(version.id === shown?.id ? { 'aria-current': 'page' as const } : {})}
              >
                Version {version.number}
              </Link>{' '}
              <span className="soft small-text">{version.made}</span>
              <div className="small-text soft">
                {version.agreed ? `agreed by ${version.agreed}` : STATES[version.state]}
              </div>
            </Line>
          ))}
          {view.versions.length === 0 && <li className="soft">none yet</li>}
        </Lines>
      </Block>
      <Block heading="Before it goes out">
        {view.gaps.length === 0 && (
          <p className="good mt-2">
            <StateIcon kind="checked" silent /> Nothing is missing.
          </p>
        )}
        <Lines>
          {view.gaps.map((gap) => (
            <li key={gap.text}>
              <StateIcon kind="waiting" silent />
              <Link className="what" href={gap.path}>
                {gap.text}
              </Link>
            </li>
          ))}
        </Lines>
      </Block>
    </aside>
  );
}
