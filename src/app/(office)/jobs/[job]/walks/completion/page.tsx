import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { completionView } from '@/server/views/completion';
import { Completion } from '@/ui/walks/completion';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Completion' };

export default async function CompletionPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => completionView(readJob(installation, job)));
  return <Completion view={view} />;
}
