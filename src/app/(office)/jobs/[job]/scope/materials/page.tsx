import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { materialsView } from '@/server/quantities/queries';
import { Materials } from '@/ui/scope/materials';

export const metadata = { title: 'Materials' };

export default async function MaterialsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => materialsView(installation(), job));
  return <Materials view={view} />;
}
