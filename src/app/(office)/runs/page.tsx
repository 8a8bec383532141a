import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { runView } from '@/server/walks/run-list';
import { RunList } from '@/ui/walks/run-list';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Run list' };

export default async function RunsPage() {
  const { view } = await shown(() => runView(installation()));
  return <RunList view={view} />;
}
