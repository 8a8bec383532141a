import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { machineCares } from '@/server/views/machine';
import { todayView } from '@/server/views/today';
import { Today } from '@/ui/today/today';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const { view } = await shown('person', (installation, { role }) => ({
    today: todayView(readFirm(installation)),
    cares: role === 'contractor' ? machineCares(installation) : [],
  }));
  return <Today view={view.today} cares={view.cares} />;
}
