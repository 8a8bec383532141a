import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { changesView } from '@/server/scope/queries';
import { Changes } from '@/ui/scope/changes';

export const metadata = { title: 'Changes' };

export default async function ChangesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => changesView(installation(), job));
  return <Changes view={view} />;
}
