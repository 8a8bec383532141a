import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { progressView } from '@/server/views/progress';
import { Progress } from '@/ui/schedule/progress';

export const metadata = { title: 'Slip and progress' };

export default async function ProgressPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { job } = await params;
  const { against, slips } = await searchParams;
  const { view } = await shown('person', (installation) =>
    progressView(readJob(installation, job), {
      against: typeof against === 'string' ? against : undefined,
      allSlips: slips === 'all',
    }),
  );
  return <Progress view={view} />;
}
