import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { roomsView } from '@/server/views/rooms';
import { Rooms } from '@/ui/rooms/rooms';

export const metadata = { title: 'Rooms' };

export default async function RoomsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => roomsView(readJob(installation, job)));
  return <Rooms view={view} />;
}
