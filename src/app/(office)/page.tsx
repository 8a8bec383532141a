import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { todayView } from '@/server/today/queries';
import { Today } from '@/ui/today/today';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const { view } = await shown(() => todayView(installation()));
  return <Today view={view} />;
}
