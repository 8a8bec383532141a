import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { updatesView } from '@/server/updates/queries';
import { Updates } from '@/ui/updates/updates';

export const metadata = { title: 'Updates' };

export default async function UpdatesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => updatesView(house(), job));
  return <Updates view={view} />;
}
