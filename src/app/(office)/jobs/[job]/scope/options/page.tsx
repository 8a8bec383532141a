import { shownFromThread } from '@/server/access/visitor';
import { Options } from '@/ui/scope/options';

export const metadata = { title: 'Options' };

export default async function OptionsPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params;
  const { view } = await shownFromThread('options', job);
  return <Options view={view} />;
}
