import { beforeIn } from '@/contract/past';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { roomView } from '@/server/views/room';
import { RoomPage } from '@/ui/rooms/room-page';

export const metadata = { title: 'Room' };

interface Terms {
  params: Promise<{ job: string; area: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function AreaPage({ params, searchParams }: Terms) {
  const { job, area } = await params;
  const before = beforeIn(await searchParams);
  const { view } = await shown('person', (installation) => roomView(readJob(installation, job), area, before));
  return <RoomPage view={view} />;
}
