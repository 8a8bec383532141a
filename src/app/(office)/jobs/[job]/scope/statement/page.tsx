import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { statementView } from '@/server/views/statement';
import { seesPrices } from '@/server/rights/sees';
import { ForTheOffice } from '@/ui/money/for-the-office';
import { StatementPage } from '@/ui/scope/statement';

export const metadata = { title: 'Statement' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function JobStatementPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const version = Number((await searchParams).version ?? Number.NaN);
  const { view } = await shown('person', (installation) => {
    const reading = readJob(installation, job);
    return seesPrices(installation) ? statementView(reading, Number.isInteger(version) ? version : undefined) : null;
  });
  return view ? <StatementPage view={view} /> : <ForTheOffice what="The statement" />;
}
