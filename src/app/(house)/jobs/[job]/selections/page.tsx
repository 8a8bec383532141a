import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { selectionsView } from '@/server/selections/view';
import { Selections } from '@/ui/selections/selections';

export const metadata = { title: 'Selections' };

export default async function SelectionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => selectionsView(house(), job));
  return <Selections view={view} />;
}
