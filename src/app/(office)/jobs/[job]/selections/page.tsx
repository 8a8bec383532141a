import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { selectionsView } from '@/server/selections/view';
import { Selections } from '@/ui/selections/selections';

export const metadata = { title: 'Selections' };

export default async function SelectionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => selectionsView(installation(), job));
  return <Selections view={view} />;
}
