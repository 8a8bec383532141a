import { shown } from '@/server/access/visitor';
import { desksView } from '@/server/coordination/view';
import { house } from '@/server/house';
import { Desks } from '@/ui/coordination/coordination';

export const metadata = { title: 'Inspections, weather, plant, calendars' };

export default async function DesksPage() {
  const { view, person } = await shown(() => desksView(house()));
  return <Desks view={view} office={person.role !== 'lead'} />;
}
