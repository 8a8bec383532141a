import { shown } from '@/server/access/visitor';
import { pathOfFeed } from '@/server/schedule/feeds';
import { readFirm } from '@/server/reading/reading';
import { coordinationView } from '@/server/coordination/view';
import { Coordination } from '@/ui/coordination/coordination';

export const metadata = { title: 'Inspections, weather, plant, calendars' };

export default async function DesksPage() {
  const { view, person } = await shown((installation) =>
    coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)),
  );
  return <Coordination view={view} office={person.role !== 'lead'} />;
}
