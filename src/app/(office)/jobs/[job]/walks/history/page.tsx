import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { historyView } from '@/server/views/history';
import { History } from '@/ui/sites/history';

export const metadata = { title: 'History' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function HistoryPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const { before } = await searchParams;
  const from = typeof before === 'string' && /^\d{1,15}$/.test(before) ? Number(before) : undefined;
  const { view } = await shown('person', (installation, person) =>
    historyView(readJob(installation, job), person.role, from),
  );
  return <History view={view} />;
}
