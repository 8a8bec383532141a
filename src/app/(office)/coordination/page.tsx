import { shown } from '@/server/access/visitor';
import { pathOfFeed } from '@/server/tokens';
import { readFirm } from '@/server/reading/reading';
import { coordinationView } from '@/server/views/coordination';
import { Coordination } from '@/ui/coordination/coordination';

export const metadata = { title: 'Inspections, weather, plant, calendars' };

export default async function DesksPage() {
  const { view, person } = await shown('person', (installation) =>
    coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)),
  );
  return <Coordination view={view} office={person.role !== 'lead'} />;
}
