import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { levelsView } from '@/server/views/layout';
import { Levels } from '@/ui/scope/levels';

export const metadata = { title: 'Levels' };

export default async function LevelsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => levelsView(readJob(installation, job)));
  return <Levels view={view} />;
}
