'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { routes } from '@/contract/routes';
import type { PicturesView } from '@/contract/views/walk';
import { Empty, PageHead } from '../kit/page';
import { PastLinks } from '../kit/past-links';
import { Pictures } from '../kit/pictures';
import { JobTabs } from '../shell/job-tabs';
import { WalkTabs } from '../walks/walk-tabs';

/** Pictures of one day that are shown before one asks for more. */
const OF_A_DAY = 8;

/** Every picture of the job, day by day and room by room; of one room alone where one is chosen. */
export function PictureWall({ view }: { view: PicturesView }) {
  const [room, setRoom] = useState('');
  const rooms = [...new Set(view.days.flatMap(({ areas }) => areas.map(({ name }) => name)))].sort();
  const days = view.days
    .map(({ day, areas }) => ({ day, areas: areas.filter(({ name }) => room === '' || name === room) }))
    .filter(({ areas }) => areas.length > 0);
  return (
    <>
      <JobTabs job={view.job} />
      <WalkTabs job={view.job.id} />
      <div className="page">
        <PageHead heading="Pictures">
          <span className="push no-print">
            <Form.Select
              size="sm"
              className="mid-field"
              aria-label="Of which room"
              value={room}
              onChange={(event) => setRoom(event.target.value)}
            >
              <option value="">all rooms</option>
              {rooms.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </Form.Select>
          </span>
        </PageHead>
        {view.days.length === 0 && (
          <Empty>
            <p className="mb-0">No picture yet. They are taken on a walk, and hang here by day and room.</p>
          </Empty>
        )}
        {days.map(({ day, areas }) => (
          <section key={day} className="picture-day">
            <h2>{day}</h2>
            <Pictures pictures={areas.flatMap(({ pictures }) => pictures)} shown={OF_A_DAY} />
          </section>
        ))}
        <PastLinks past={view.past} page={routes.pictures(view.job.id)} />
      </div>
    </>
  );
}
