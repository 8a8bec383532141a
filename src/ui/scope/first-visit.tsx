'use client';
import { Link } from '../kit/link';
import { routes } from '@/contract/routes';
import type { FirstVisitView } from '@/contract/views/scope';
import { Line, Lines } from '../kit/lines';
import { Block, Empty, PageHead } from '../kit/page';
import { JobTabs } from '../shell/job-tabs';
import { StartWalk } from '../walks/start-walk';
import { ScopeTabs } from './scope-tabs';

/** Where a first visit begins: once round the job, outside and inside. */
export function FirstVisit({ view, area }: { view: FirstVisitView; area: string | undefined }) {
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading="First visit" />
        <Empty>
          <p>
            Once round, outside and inside, one area at a time: say it, type it, picture it, measure it. What is said
            becomes lines of work, findings and assumptions at once. It works without a signal.
          </p>
          <StartWalk job={view.job.id} openWalk={null} kind="scope" words="Begin the first visit" area={area} />
        </Empty>
        {view.made.length > 0 && (
          <Block heading="Made so far">
            <Lines>
              {view.made.map(({ id, when }) => (
                <Line key={id}>
                  <Link href={routes.walk(id, area)}>{when}</Link>{' '}
                  <span className="soft small-text">finished; more can be added to it</span>
                </Line>
              ))}
            </Lines>
          </Block>
        )}
      </div>
    </>
  );
}
