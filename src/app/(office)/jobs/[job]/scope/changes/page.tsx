import { shown, shownFromThread } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { seesPrices } from '@/server/rights/sees';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { Changes } from '@/ui/scope/changes';

export const metadata = { title: 'Changes' };

export default async function ChangesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view: prices } = await shown('person', (house) => {
    readJob(house, job);
    return seesPrices(house);
  });
  if (!prices) return <ForTheOffice what="Changes with what they cost" />;
  const { view } = await shownFromThread('prices', 'changes', job);
  return <Changes view={view} />;
}
