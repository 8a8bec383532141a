import { visitor } from '@/server/access/visitor';
import { Bench } from '@/ui/bench/bench';

export const metadata = { title: 'Bench' };

export default async function BenchPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await visitor('person');
  const { area } = await searchParams;
  return <Bench area={typeof area === 'string' ? area : undefined} />;
}
