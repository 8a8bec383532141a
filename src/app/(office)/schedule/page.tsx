import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { boardOptions, scheduleView } from '@/server/views/board';
import { Schedule } from '@/ui/schedule/schedule';

export const metadata = { title: 'Schedule, all jobs' };

export default async function WholeSchedulePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const options = boardOptions(await searchParams);
  const { view } = await shown('person', (installation) =>
    scheduleView(readFirm(installation), { ...options, by: 'trade' }),
  );
  return <Schedule key={view.task} view={view} />;
}
