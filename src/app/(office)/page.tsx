import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { todayView } from '@/server/views/today';
import { Today } from '@/ui/today/today';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const { view } = await shown('person', (installation) => todayView(readFirm(installation)));
  return <Today view={view} />;
}
