import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { roomsView } from '@/server/sites/rooms';
import { Rooms } from '@/ui/rooms/rooms';

export const metadata = { title: 'Rooms' };

export default async function RoomsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => roomsView(installation(), job));
  return <Rooms view={view} />;
}
