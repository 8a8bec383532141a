import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { newsView } from '@/server/news/queries';
import { News } from '@/ui/news/news';

export const metadata = { title: 'News' };

export default async function UpdatesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => newsView(installation(), job));
  return <News view={view} />;
}
