import { routes } from '@/contract/routes';
import type { SelectionCounts } from '@/contract/views/selections';
import { SubTabs } from '../kit/sub-tabs';

/** The pages of Selections. */
export function SelectionTabs({ job, counts }: { job: string; counts?: SelectionCounts }) {
  return (
    <SubTabs
      of="Selections"
      places={[
        { path: routes.selections(job), label: 'By urgency' },
        { path: routes.requests(job), label: 'Approvals and answers', waiting: counts?.requests ?? 0 },
        { path: routes.purchasing(job), label: 'Purchase orders', waiting: counts?.orders ?? 0 },
        { path: routes.deliveries(job), label: 'Deliveries and storage', waiting: counts?.deliveries ?? 0 },
        { path: routes.wayIn(job), label: 'Way in' },
      ]}
    />
  );
}
