import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { wallsView } from '@/server/views/walls';
import { Walls } from '@/ui/walls/walls';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Inside the walls' };

export default async function WallsPage({ params }: { params: Promise<{ job: string; area: string }> }) {
  const { job, area } = await params;
  const { view } = await shown('person', (installation) => wallsView(readJob(installation, job), area));
  return <Walls view={view} />;
}
