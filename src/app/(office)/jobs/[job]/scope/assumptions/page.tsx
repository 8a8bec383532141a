import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { assumptionsView } from '@/server/scope/queries';
import { Assumptions } from '@/ui/scope/assumptions';

export const metadata = { title: 'Assumptions' };

export default async function AssumptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => assumptionsView(installation(), job));
  return <Assumptions view={view} />;
}
