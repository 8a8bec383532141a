import { shown, shownFromThread } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { seesPrices } from '@/server/rights/sees';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { Options } from '@/ui/scope/options';

export const metadata = { title: 'Options' };

export default async function OptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view: prices } = await shown('person', (house) => {
    readJob(house, job);
    return seesPrices(house);
  });
  if (!prices) return <ForTheOffice what="Options with what they cost" />;
  const { view } = await shownFromThread('prices', 'options', job);
  return <Options view={view} />;
}
