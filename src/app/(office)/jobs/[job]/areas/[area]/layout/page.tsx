import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { layoutView } from '@/server/views/layout';
import { Layout } from '@/ui/layout/layout';

export const metadata = { title: 'To scale' };

export default async function LayoutPage({ params }: { params: Promise<{ job: string; area: string }> }) {
  const { job, area } = await params;
  const { view } = await shown('person', (installation) => layoutView(readJob(installation, job), area));
  return <Layout view={view} />;
}
