import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { roomView } from '@/server/sites/room';
import { RoomPage } from '@/ui/rooms/room-page';

export const metadata = { title: 'Room' };

export default async function AreaPage({ params }: { params: Promise<{ job: string; area: string }> }) {
  const { job, area } = await params;
  const { view } = await shown(() => roomView(installation(), job, area));
  return <RoomPage view={view} />;
}
