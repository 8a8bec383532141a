'use client';
import type { CoordinationView } from '@/contract/views/coordination';
import { Calendars } from './calendars';
import { Goals } from './goals';
import { Inspections } from './inspections';
import { Plant } from './plant';
import { Weather } from './weather';
import { PageHead } from '../kit/page';

/** What comes from outside and decides days: inspection offices, the weather, plant, other people's calendars. */
export function Coordination({ view, office }: { view: CoordinationView; office: boolean }) {
  return (
    <div className="page desks">
      <PageHead heading="Inspections, weather, plant, calendars" />
      <div className="main-and-aside">
        <div>
          <Inspections view={view} office={office} />
          <Calendars view={view} office={office} />
        </div>
        <aside>
          <Weather view={view} />
          <Plant view={view} office={office} />
          {office && <Goals view={view} />}
        </aside>
      </div>
    </div>
  );
}
