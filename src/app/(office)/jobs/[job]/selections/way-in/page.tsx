import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { wayInView } from '@/server/views/way-in';
import { WayIn } from '@/ui/selections/way-in';

export const metadata = { title: 'Way in' };

export default async function WayInPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => wayInView(readJob(installation, job)));
  return <WayIn view={view} />;
}
