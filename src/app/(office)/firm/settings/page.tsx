import { shown } from '@/server/access/visitor';
import { firmView } from '@/server/views/firm';
import { Settings } from '@/ui/firm/settings';

export const metadata = { title: 'Settings' };

export default async function SettingsPage() {
  const { person, view } = await shown('person', (installation, asking) => firmView(installation, asking));
  return <Settings view={view} role={person.role} />;
}
