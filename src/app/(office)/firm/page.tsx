import { shown } from '@/server/access/visitor';
import { firmView } from '@/server/views/firm';
import { Firm } from '@/ui/firm/firm';

export const metadata = { title: 'Firm' };

export default async function FirmPage() {
  const { person, view } = await shown('person', (installation, asking) => firmView(installation, asking));
  return <Firm view={view} role={person.role} />;
}
