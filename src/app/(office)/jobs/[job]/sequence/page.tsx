import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { sequenceView } from '@/server/sequence/queries';
import { Sequence } from '@/ui/sequence/sequence';

export const metadata = { title: 'Sequence' };

export default async function SequencePage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => sequenceView(installation(), job));
  return <Sequence view={view} />;
}
