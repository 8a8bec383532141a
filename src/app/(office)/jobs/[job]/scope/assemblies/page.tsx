import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { assembliesView } from '@/server/views/assemblies';
import { Assemblies } from '@/ui/assemblies/assemblies';
import { ForTheOffice } from '@/ui/money/for-the-office';

export const metadata = { title: 'Assemblies' };

export default async function AssembliesPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { job } = await params;
  const { area } = await searchParams;
  const { view } = await shown((installation, who) =>
    who.role === 'lead'
      ? null
      : assembliesView(readJob(installation, job), typeof area === 'string' ? area : undefined),
  );
  return view ? <Assemblies key={view.area} view={view} /> : <ForTheOffice what="Assemblies" />;
}
