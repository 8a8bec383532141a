import { seesPrices } from '@/server/rights/sees';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { pricesView } from '@/server/views/prices';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { Prices } from '@/ui/money/prices';

export const metadata = { title: 'Prices' };

export default async function PricesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => {
    const reading = readJob(installation, job);
    return seesPrices(installation) ? pricesView(reading) : null;
  });
  return view ? <Prices view={view} /> : <ForTheOffice what="Prices" />;
}
