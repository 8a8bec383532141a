import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { requestsView } from '@/server/views/selections';
import { Requests } from '@/ui/selections/requests';

export const metadata = { title: 'Approvals and answers' };

export default async function RequestsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => requestsView(readJob(installation, job)));
  return <Requests view={view} />;
}
