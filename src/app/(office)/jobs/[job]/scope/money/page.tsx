import { seesPrices } from '@/server/rights/sees';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { moneyView } from '@/server/views/money';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { Money } from '@/ui/money/money';

export const metadata = { title: 'Money' };

export default async function MoneyPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => {
    const reading = readJob(installation, job);
    return seesPrices(installation) ? moneyView(reading) : null;
  });
  return view ? <Money view={view} /> : <ForTheOffice what="The money of a job" />;
}
