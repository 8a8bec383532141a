import { shown } from '@/server/access/visitor';
import { readFirm } from '@/server/reading/reading';
import { heardOf } from '@/server/views/heard';
import { machineCares } from '@/server/views/machine';
import { todayView } from '@/server/views/today';
import { Today } from '@/ui/today/today';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const { view } = await shown('person', (installation, { id, role }) => ({
    today: todayView(readFirm(installation)),
    heard: heardOf(readFirm(installation), id),
    cares: role === 'contractor' ? machineCares(installation) : [],
  }));
  return <Today view={view.today} heard={view.heard} cares={view.cares} />;
}
