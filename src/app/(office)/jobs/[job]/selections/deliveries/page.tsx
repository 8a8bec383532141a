import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { deliveriesView } from '@/server/views/deliveries';
import { Deliveries } from '@/ui/selections/deliveries';

export const metadata = { title: 'Deliveries and storage' };

export default async function DeliveriesPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const [{ job }, { left }] = await Promise.all([params, searchParams]);
  const { view } = await shown('person', (installation) => deliveriesView(readJob(installation, job)));
  return <Deliveries view={view} left={typeof left === 'string' ? left : undefined} />;
}
