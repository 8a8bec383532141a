import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { statementView } from '@/server/views/statement';
import { StatementPage } from '@/ui/scope/statement';

export const metadata = { title: 'Statement' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function JobStatementPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const version = Number((await searchParams).version ?? Number.NaN);
  const { view } = await shown((installation) =>
    statementView(readJob(installation, job), Number.isInteger(version) ? version : undefined),
  );
  return <StatementPage view={view} />;
}
