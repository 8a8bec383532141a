import { redirect } from 'next/navigation';
import { routes } from '@/contract/routes';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { firstVisitView } from '@/server/views/first-visit';
import { FirstVisit } from '@/ui/scope/first-visit';

export const metadata = { title: 'First visit' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function VisitPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const { area } = await searchParams;
  const { view } = await shown('person', (installation) => firstVisitView(readJob(installation, job)));
  // A visit that is under way is gone on with, at the area that was asked for.
  if (view.open) redirect(routes.walk(view.open, typeof area === 'string' ? area : undefined));
  return <FirstVisit view={view} area={typeof area === 'string' ? area : undefined} />;
}
