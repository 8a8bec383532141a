'use client';
import { api, routes } from '@/contract/routes';
import type { SmallRoom, SmallSection as Section } from '@/contract/views/today';
import { counted } from '@/core/words/count';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { WalksView } from '@/contract/views/walk';
import { WALK_KINDS, type WalkKind } from '@/core/walks/observation';
import { JobTabs } from '../shell/job-tabs';
import { Folded } from '../kit/folded';
import { SmallSection } from '../kit/small-section';
import { Discard } from './discard';
import { NotKept } from '../offline/not-kept';
import { StartWalk } from './start-walk';
import { WalkTabs } from './walk-tabs';
import { Empty, PageHead } from '../kit/page';
import { Line } from '../kit/lines';
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
        <NotKept />
        {view.walks.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nobody has walked this job yet. The first walk is usually the scope walk: room by room, outside faces too,
              what is to be done, what is not, and what can only be known once it is opened.
            </p>
          </Empty>
        )}
        <Folded of={view.walks} shown={SHOWN}>
          {(walk) => <WalkLine key={walk.id} walk={walk} view={view} />}
        </Folded>
        <PastLinks past={view.past} page={routes.walks(view.job.id)} />
      </div>
    </>
  );
}

/** Walks that are shown before one asks for more. */
const SHOWN = 8;

/** What of the house a walk touched, what it saw, and what it did to the end. */
function WalkLine({ walk, view: { job, section } }: { walk: WalksView['walks'][number]; view: WalksView }) {
  const touched = new Set(walk.touched);
  return (
    <Line
      className="walk-line"
      beside={
        walk.finished ? (
          <Link className="small-text" href={routes.review(job.id, walk.id)}>
            what it changed
          </Link>
        ) : (
          <Discard walk={walk.id} />
        )
      }
      mark={
        <span className="touched" aria-hidden="true">
          <SmallSection section={withTouched(section, touched)} />
        </span>
      }
    >
      <Link className="fw-bold" href={walk.finished ? routes.review(job.id, walk.id) : routes.walk(walk.id)}>
        {walk.when}, {walk.kind} walk
      </Link>{' '}
      <span className="soft">{walk.by}</span>
      <div className="small-text soft">
        {walk.finished ? walk.summary : 'not finished'}
        {walk.touched.length > 0 && ` in ${counted(walk.touched.length, 'area')}`}
      </div>
      {walk.later !== null && (
        <div className={`small-text ${walk.later > 0 ? 'bad' : walk.later < 0 ? 'good' : 'soft'}`}>
          {walk.later === 0
            ? 'the end stayed where it was'
            : `the end came ${counted(Math.abs(walk.later), 'day')} ${walk.later > 0 ? 'later' : 'earlier'}`}
        </div>
      )}
      {walk.pictures.length > 0 && (
        <span className="thumbs">
          {walk.pictures.map(({ hash, alt }) => (
            <img key={hash} src={api.picture(hash, 240)} alt={alt} width={64} height={48} loading="lazy" />
          ))}
        </span>
      )}
    </Line>
  );
}

/** The house with what a walk touched filled in. */
function withTouched(section: Section, touched: ReadonlySet<string>): Section {
  const fill = (rooms: readonly SmallRoom[]): SmallRoom[] =>
    rooms.map((room) => ({ ...room, share: touched.has(room.id) ? 1 : null }));
  return {
    storeys: section.storeys.map(({ below, rooms }) => ({ below, rooms: fill(rooms) })),
    roofs: fill(section.roofs),
    faces: fill(section.faces),
    outbuildings: fill(section.outbuildings),
    ground: fill(section.ground),
  };
}
