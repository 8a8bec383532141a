import { shown } from '@/server/access/visitor';
import { readFirm, readJob } from '@/server/reading/reading';
import { reviewView } from '@/server/walks/review';
import { Review } from '@/ui/walks/review';

export const metadata = { title: 'Review of a walk' };

export default async function ReviewPage({ params }: { params: Promise<{ job: string; walk: string }> }) {
  const { job, walk } = await params;
  const { view } = await shown((installation) =>
    reviewView(readJob(installation, job), walk, () => readFirm(installation)),
  );
  return <Review view={view} />;
}
