import { shownFromThread } from '@/server/access/visitor';
import { Review } from '@/ui/walks/review';

export const metadata = { title: 'Review of a walk' };

export default async function ReviewPage({ params }: { params: Promise<{ job: string; walk: string }> }) {
  const { job, walk } = await params;
  const { view } = await shownFromThread('person', 'review', job, walk);
  return <Review view={view} />;
}
