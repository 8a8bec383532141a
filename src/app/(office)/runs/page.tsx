import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { runView } from '@/server/views/run-list';
import { RunList } from '@/ui/walks/run-list';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Run list' };

export default async function RunsPage() {
  const { view } = await shown('person', (installation) => runView(readFirm(installation)));
  return <RunList view={view} />;
}
