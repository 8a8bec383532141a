import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { changesView } from '@/server/scope/queries';
import { Changes } from '@/ui/scope/changes';

export const metadata = { title: 'Changes' };

export default async function ChangesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown((installation) => changesView(readFirm(installation).job(job)));
  return <Changes view={view} />;
}
