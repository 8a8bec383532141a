import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { sequenceView } from '@/server/views/sequence';
import { PackedSequence } from '@/ui/sequence/packed';

export const metadata = { title: 'Sequence' };

export default async function SequencePage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view, person } = await shown('person', (installation) => sequenceView(readJob(installation, job)));
  return <PackedSequence view={JSON.stringify(view)} role={person.role} />;
}
