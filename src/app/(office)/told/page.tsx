import { beforeIn } from '@/contract/past';
import { shown } from '@/server/access/visitor';
import { toldView } from '@/server/views/told';
import { Told } from '@/ui/news/told';

export const metadata = { title: 'Who was told what' };

export default async function ToldPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = await searchParams;
  const to = typeof asked.to === 'string' ? asked.to.trim().slice(0, 80) : '';
  const { view } = await shown('person', (installation) => toldView(installation, to, beforeIn(asked)));
  return <Told view={view} />;
}
