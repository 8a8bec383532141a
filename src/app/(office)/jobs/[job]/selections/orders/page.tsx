import { shown } from '@/server/access/visitor';
import { seesPrices } from '@/server/rights/sees';
import { readJob } from '@/server/reading/reading';
import { purchasingView } from '@/server/views/purchasing';
import { Purchasing } from '@/ui/purchasing/purchasing';

export const metadata = { title: 'Purchase orders' };

export default async function PurchasingPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) =>
    purchasingView(readJob(installation, job), seesPrices(installation)),
  );
  return <Purchasing view={view} />;
}
