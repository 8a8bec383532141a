import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { areasView } from '@/server/views/areas';
import { Areas } from '@/ui/sites/areas';

export const metadata = { title: 'Areas' };

export default async function SetOutPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => areasView(readJob(installation, job)));
  return <Areas view={view} />;
}
