import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { livingView } from '@/server/views/living';
import { Living } from '@/ui/living/living';

export const metadata = { title: 'Living in' };

export default async function LivingPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => livingView(readFirm(installation).job(job)));
  return <Living view={view} />;
}
