import { cookies } from 'next/headers';
import { BOARD_COOKIE } from '@/contract/board-look';
import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { scheduleView } from '@/server/views/board';
import { boardOptions } from '@/server/views/board-options';
import { Schedule } from '@/ui/schedule/schedule';

export const metadata = { title: 'Schedule' };

export default async function SchedulePage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { job } = await params;
  const options = boardOptions(await searchParams, (await cookies()).get(BOARD_COOKIE)?.value);
  const { view } = await shown('person', (installation) => scheduleView(readFirm(installation), { ...options, job }));
  return <Schedule key={view.task} view={view} />;
}
