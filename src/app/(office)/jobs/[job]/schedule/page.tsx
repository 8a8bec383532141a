import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { boardOptions, scheduleView } from '@/server/views/board';
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
  const options = boardOptions(await searchParams);
  const { view } = await shown('person', (installation) => scheduleView(readFirm(installation), { ...options, job }));
  return <Schedule key={view.task} view={view} />;
}
