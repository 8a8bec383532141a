import { shown } from '@/server/access/visitor';
import { seesPrices } from '@/server/rights/sees';
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
  const { area, said } = await searchParams;
  const { view } = await shown('person', (installation) => {
    const reading = readJob(installation, job);
    return seesPrices(installation) ? assembliesView(reading, typeof area === 'string' ? area : undefined) : null;
  });
  return view ? (
    <Assemblies key={view.area} view={view} sought={typeof said === 'string' ? said : ''} />
  ) : (
    <ForTheOffice what="Assemblies" />
  );
}
