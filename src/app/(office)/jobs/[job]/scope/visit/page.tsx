import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { scopeView } from '@/server/views/scope';
import { Visit } from '@/ui/scope/visit';

export const metadata = { title: 'First visit' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function VisitPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const { area } = await searchParams;
  const { view } = await shown('person', (installation) => scopeView(readJob(installation, job)));
  return <Visit view={view} at={typeof area === 'string' ? area : undefined} />;
}
