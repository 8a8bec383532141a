import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { jobHead } from '@/server/views/job-head';
import { Forecast } from '@/ui/forecast/forecast';

export const metadata = { title: 'Forecast' };

export default async function ForecastPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown('person', (installation) => jobHead(readJob(installation, job)));
  return <Forecast key={job} job={view} />;
}
