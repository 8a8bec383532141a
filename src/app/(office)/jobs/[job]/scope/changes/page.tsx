import { shownFromThread } from '@/server/access/visitor';
import { Changes } from '@/ui/scope/changes';

export const metadata = { title: 'Changes' };

export default async function ChangesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shownFromThread('changes', job);
  return <Changes view={view} />;
}
