import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { routeView } from '@/server/views/route';
import { RoutePage } from '@/ui/trips/route';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Trips and route' };

export default async function Route() {
  const { view } = await shown('person', (installation) => routeView(readFirm(installation)));
  return <RoutePage view={view} />;
}
