import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { walksView } from '@/server/walks/pack';
import { Walks } from '@/ui/walks/walks';

export const metadata = { title: 'Walks' };

export default async function WalksPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => walksView(installation(), job));
  return <Walks view={view} />;
}
