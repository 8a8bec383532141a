import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { assumptionsView } from '@/server/views/scope';
import { Assumptions } from '@/ui/scope/assumptions';

export const metadata = { title: 'Assumptions' };

export default async function AssumptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => assumptionsView(readJob(installation, job)));
  return <Assumptions view={view} />;
}
