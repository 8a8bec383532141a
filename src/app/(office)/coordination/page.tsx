import { shown } from '@/server/access/visitor';
import { coordinationView } from '@/server/coordination/view';
import { installation } from '@/server/installation';
import { Coordination } from '@/ui/coordination/coordination';

export const metadata = { title: 'Inspections, weather, plant, calendars' };

export default async function DesksPage() {
  const { view, person } = await shown(() => coordinationView(installation()));
  return <Coordination view={view} office={person.role !== 'lead'} />;
}
