import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { areasView } from '@/server/sites/areas-view';
import { Areas } from '@/ui/sites/areas';

export const metadata = { title: 'Areas' };

export default async function SetOutPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => areasView(installation(), job));
  return <Areas view={view} />;
}
