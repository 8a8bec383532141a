import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { selectionPage } from '@/server/views/selections';
import { SelectionPage } from '@/ui/selections/selection-page';

export const metadata = { title: 'Selection' };

export default async function OneSelectionPage({ params }: { params: Promise<{ job: string; selection: string }> }) {
  const { job, selection } = await params;
  const { view } = await shown('person', (installation) => selectionPage(readJob(installation, job), selection));
  return <SelectionPage key={view.item.id} view={view} />;
}
