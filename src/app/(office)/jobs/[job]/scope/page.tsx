import { shown } from '@/server/access/visitor';
import { seesPrices } from '@/server/rights/sees';
import { readJob } from '@/server/reading/reading';
import { scopeView } from '@/server/views/scope';
import { Scope } from '@/ui/scope/scope';

export const metadata = { title: 'Scope' };

export default async function ScopePage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) =>
    scopeView(readJob(installation, job), seesPrices(installation)),
  );
  return <Scope view={view} />;
}
