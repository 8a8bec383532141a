import { shown } from '@/server/access/visitor';
import { walkPack } from '@/server/views/pack';
import { Walk } from '@/ui/walks/walk';
import '../../../ui/look/office.scss';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Walk' };

export default async function WalkPage({ params }: { params: Promise<{ walk: string }> }) {
  const { walk } = await params;
  const { view } = await shown('person', (installation) => walkPack(installation, walk));
  return <Walk pack={view} />;
}
