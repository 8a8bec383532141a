import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { setOutView } from '@/server/sites/areas-view';
import { SetOut } from '@/ui/sites/areas';

export const metadata = { title: 'Set out' };

export default async function SetOutPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => setOutView(house(), job));
  return <SetOut view={view} />;
}
