import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { materialsView } from '@/server/views/quantities';
import { Materials } from '@/ui/scope/materials';

export const metadata = { title: 'Materials' };

export default async function MaterialsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => materialsView(readJob(installation, job)));
  return <Materials view={view} />;
}
