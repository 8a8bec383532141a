import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { levelsView } from '@/server/layout/queries';
import { Levels } from '@/ui/scope/levels';

export const metadata = { title: 'Levels' };

export default async function LevelsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => levelsView(installation(), job));
  return <Levels view={view} />;
}
