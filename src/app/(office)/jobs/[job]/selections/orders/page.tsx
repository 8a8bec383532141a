import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { purchasingView } from '@/server/views/purchasing';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { Purchasing } from '@/ui/purchasing/purchasing';

export const metadata = { title: 'Purchase orders' };

export default async function PurchasingPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown((installation, who) =>
    who.role === 'lead' ? null : purchasingView(readJob(installation, job)),
  );
  return view ? <Purchasing view={view} /> : <ForTheOffice what="The orders of a job" />;
}
