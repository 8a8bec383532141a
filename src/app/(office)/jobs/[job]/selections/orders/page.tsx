import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { purchasingView } from '@/server/views/purchasing';
import { Purchasing } from '@/ui/purchasing/purchasing';

export const metadata = { title: 'Purchase orders' };

export default async function PurchasingPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown((installation, who) => purchasingView(readJob(installation, job), who.role !== 'lead'));
  return <Purchasing view={view} />;
}
