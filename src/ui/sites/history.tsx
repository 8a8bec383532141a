'use client';
import { Link } from '../kit/link';
import { undo } from '@/contract/commands/undo';
import { routes } from '@/contract/routes';
import type { ChangeMade, HistoryView } from '@/contract/views/history';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Empty, PageHead } from '../kit/page';
import { useSend } from '../kit/use-send';
import { JobTabs } from '../shell/job-tabs';
import { WalkTabs } from '../walks/walk-tabs';

/** Who changed what of the job and when; what can be is taken back from here, long after its line at the foot is gone. */
export function History({ view }: { view: HistoryView }) {
  return (
    <>
      <JobTabs job={view.job} />
      <WalkTabs job={view.job.id} />
      <div className="page">
        <PageHead heading="History">
          <span className="soft">who changed what, the newest first</span>
        </PageHead>
        {view.changes.length === 0 && (
          <Empty>
            <p className="mb-0">Nothing was changed here yet.</p>
          </Empty>
        )}
        <Lines>
          {view.changes.map((change) => (
            <Change key={change.command} change={change} />
          ))}
        </Lines>
        <p className="actions small-text no-print">
          {!view.newest && (
            <Link href={routes.history(view.job.id)} scroll={false}>
              Newest
            </Link>
          )}
          {view.earlier !== null && (
            <Link href={routes.history(view.job.id, view.earlier)} scroll={false}>
              Earlier
            </Link>
          )}
        </p>
      </div>
    </>
  );
}

function Change({ change: { command, when, who, did, about, back } }: { change: ChangeMade }) {
  const { busy, give } = useSend();
  return (
    <Line
      small
      beside={
        back === 'taken back' ? (
          <span className="soft small-text">taken back</span>
        ) : (
          back === 'open' && (
            <LinkButton
              className="no-print"
              disabled={busy}
              onClick={() => void give(undo, { command }, { text: 'Taken back.' })}
            >
              Take back
              <Hidden>
                : {did} {about}
              </Hidden>
            </LinkButton>
          )
        )
      }
    >
      <span className="fw-bold">{who}</span> {did}
      {about && `: ${about}`} <span className="soft">{when}</span>
    </Line>
  );
}
