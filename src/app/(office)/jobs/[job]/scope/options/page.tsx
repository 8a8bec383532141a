import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { optionsView } from '@/server/scope/queries';
import { Options } from '@/ui/scope/options';

export const metadata = { title: 'Options' };

export default async function OptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown((installation) => optionsView(readFirm(installation).job(job)));
  return <Options view={view} />;
}
