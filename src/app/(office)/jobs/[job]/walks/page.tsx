import { beforeIn } from '@/contract/past';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { walksView } from '@/server/views/walks';
import { Walks } from '@/ui/walks/walks';

export const metadata = { title: 'Walks' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function WalksPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const before = beforeIn(await searchParams);
  const { view } = await shown('person', (installation) => walksView(readJob(installation, job), before));
  return <Walks view={view} />;
}
