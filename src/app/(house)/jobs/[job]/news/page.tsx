import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { newsView } from '@/server/news/queries';
import { News } from '@/ui/news/news';

export const metadata = { title: 'News' };

export default async function UpdatesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => newsView(house(), job));
  return <News view={view} />;
}
