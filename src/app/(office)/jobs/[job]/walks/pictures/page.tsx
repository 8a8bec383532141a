import { beforeIn } from '@/contract/past';
import { shown } from '@/server/access/visitor';
import { readJob } from '@/server/reading/reading';
import { picturesView } from '@/server/views/pictures';
import { PictureWall } from '@/ui/pictures/picture-wall';

export const metadata = { title: 'Pictures' };

interface Terms {
  params: Promise<{ job: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function PicturesPage({ params, searchParams }: Terms) {
  const { job } = await params;
  const before = beforeIn(await searchParams);
  const { view } = await shown('person', (installation) => picturesView(readJob(installation, job), before));
  return <PictureWall view={view} />;
}
