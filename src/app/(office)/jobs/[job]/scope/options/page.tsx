import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { optionsView } from '@/server/scope/queries';
import { Options } from '@/ui/scope/options';

export const metadata = { title: 'Options' };

export default async function OptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shown(() => optionsView(installation(), job));
  return <Options view={view} />;
}
