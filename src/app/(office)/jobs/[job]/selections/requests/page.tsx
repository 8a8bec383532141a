import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { requestsView } from '@/server/selections/view';
import { Requests } from '@/ui/selections/requests';

export const metadata = { title: 'Approvals and answers' };

export default async function RequestsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => requestsView(installation(), job));
  return <Requests view={view} />;
}
