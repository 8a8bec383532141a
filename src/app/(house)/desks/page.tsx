import { shown } from '@/server/access/visitor';
import { desksView } from '@/server/desks/queries';
import { house } from '@/server/house';
import { Desks } from '@/ui/desks/desks';

export const metadata = { title: 'Inspections, weather, plant, calendars' };

export default async function DesksPage() {
  const { view, person } = await shown(() => desksView(house()));
  return <Desks view={view} office={person.role !== 'lead'} />;
}
