import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { todayView } from '@/server/today/queries';
import { Today } from '@/ui/today/today';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const { view } = await shown(() => todayView(house()));
  return <Today view={view} />;
}
