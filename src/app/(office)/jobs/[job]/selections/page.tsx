import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { selectionsView } from '@/server/views/selections';
import { Selections } from '@/ui/selections/selections';

export const metadata = { title: 'Selections' };

export default async function SelectionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => selectionsView(readJob(installation, job)));
  return <Selections view={view} />;
}
