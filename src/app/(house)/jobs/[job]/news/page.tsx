import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { updatesView } from '@/server/news/queries';
import { Updates } from '@/ui/news/news';

export const metadata = { title: 'News' };

export default async function UpdatesPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => updatesView(house(), job));
  return <Updates view={view} />;
}
