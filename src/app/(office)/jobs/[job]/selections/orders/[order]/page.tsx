import { shown } from '@/server/access/visitor';
import { seesPrices } from '@/server/rights/sees';
import { readJob } from '@/server/reading/reading';
import { purchaseOrderView } from '@/server/views/purchasing';
import { PurchaseOrder } from '@/ui/purchasing/purchase-order';

export const metadata = { title: 'A purchase order' };

export default async function PurchaseOrderPage({ params }: { params: Promise<{ job: string; order: string }> }) {
  const { job, order } = await params;
  const { view } = await shown('person', (installation) =>
    purchaseOrderView(readJob(installation, job), order, seesPrices(installation)),
  );
  return <PurchaseOrder view={view} />;
}
