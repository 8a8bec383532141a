import { beforeIn } from '@/contract/past';
import { shown } from '@/server/access/visitor';
import { newsView } from '@/server/views/news';
import { readJob } from '@/server/reading/reading';
import { News } from '@/ui/news/news';

export const metadata = { title: 'News' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function UpdatesPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const asked = await searchParams;
  const to = typeof asked.to === 'string' ? asked.to : undefined;
  const terms = { before: beforeIn(asked), allLinks: asked.links === 'all', to };
  const { view } = await shown('person', (installation) => newsView(readJob(installation, job), terms));
  return <News view={view} />;
}
