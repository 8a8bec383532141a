import { shown } from '@/server/access/visitor';
import { currentVersion } from '@/server/reading/plan';
import { readJob } from '@/server/reading/reading';
import { jobHead } from '@/server/views/job-head';
import { Advice } from '@/ui/advice/advice';

export const metadata = { title: 'When something slips' };

export default async function SlipPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { job } = await params;
  const { selection, task } = await searchParams;
  const { view } = await shown('person', (installation) => ({
    head: jobHead(readJob(installation, job)),
    plan: currentVersion(installation.db) ?? 0,
  }));
  const of = typeof selection === 'string' ? { selection } : { task: typeof task === 'string' ? task : '' };
  return <Advice key={JSON.stringify(of)} job={view.head} plan={view.plan} of={of} />;
}
