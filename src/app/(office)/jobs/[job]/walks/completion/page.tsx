import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { completionView } from '@/server/walks/completion-view';
import { Completion } from '@/ui/walks/completion';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Completion' };

export default async function CompletionPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => completionView(installation(), job));
  return <Completion view={view} />;
}
