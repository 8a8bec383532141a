'use client';
import { routes } from '@/contract/routes';
import Link from 'next/link';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { WalksView } from '@/contract/views/walk';
import { WALK_KINDS, type WalkKind } from '@/core/walks/observation';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { StartWalk } from './start-walk';
import { WalkTabs } from './walk-tabs';
import { Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { PastLinks } from '../kit/past-links';

/** Every walk of the job, the newest first. */
export function Walks({ view }: { view: WalksView }) {
  const [kind, setKind] = useState<WalkKind>('progress');
  return (
    <>
      <JobTabs job={view.job} />
      <WalkTabs job={view.job.id} />
      <div className="page">
        <PageHead heading={<Means of="word.walk">Walks</Means>}>
          <span className="soft">{view.job.walked}</span>
          <span className="push actions">
            {!view.job.openWalk && (
              <Form.Select
                className="mid-field"
                aria-label="Kind of walk"
                value={kind}
                onChange={(event) => setKind(event.target.value as WalkKind)}
              >
                {WALK_KINDS.map((entry) => (
                  <option key={entry} value={entry}>
                    {entry} walk
                  </option>
                ))}
              </Form.Select>
            )}
            <StartWalk job={view.job.id} openWalk={view.job.openWalk} kind={kind} />
          </span>
        </PageHead>
        {view.walks.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nobody has walked this job yet. The first walk is usually the scope walk: room by room, outside faces too,
              what is to be done, what is not, and what can only be known once it is opened.
            </p>
          </Empty>
        )}
        <Lines>
          {view.walks.map((walk) => (
            <Line
              key={walk.id}
              mark={<StateIcon kind={walk.finished ? 'done' : 'under-way'} />}
              beside={
                walk.finished && (
                  <Link className="small-text" href={routes.review(view.job.id, walk.id)}>
                    what it changed
                  </Link>
                )
              }
            >
              <Link
                className="fw-bold"
                href={walk.finished ? routes.review(view.job.id, walk.id) : routes.walk(walk.id)}
              >
                {walk.when}, {walk.kind} walk
              </Link>{' '}
              <span className="soft">{walk.by}</span>
              <div className="small-text soft">{walk.finished ? walk.summary : 'not finished'}</div>
            </Line>
          ))}
        </Lines>
        <PastLinks past={view.past} page={routes.walks(view.job.id)} />
      </div>
    </>
  );
}
