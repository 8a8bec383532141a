import { shown } from '@/server/access/visitor';
import { walkPack } from '@/server/views/pack';
import { Walk } from '@/ui/walks/walk';
import '../../../ui/look/office.scss';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Walk' };

interface Terms {
  params: Promise<{ walk: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function WalkPage({ params, searchParams }: Terms) {
  const { walk } = await params;
  const { area } = await searchParams;
  const { view } = await shown('person', (installation) => walkPack(installation, walk));
  return <Walk pack={view} at={typeof area === 'string' ? area : undefined} />;
}
