import type { SelectionCounts } from '@/contract/views/selections';
import { SubPlaces } from '../kit/sub-places';

/** The pages of Selections. */
export function SelectionPlaces({ job, counts }: { job: string; counts?: SelectionCounts }) {
  return (
    <SubPlaces
      of="Selections"
      base={`/jobs/${job}/selections`}
      places={[
        { path: '', label: 'By urgency' },
        { path: '/requests', label: 'Approvals and answers', waiting: counts?.requests ?? 0 },
        { path: '/deliveries', label: 'Deliveries and storage', waiting: counts?.deliveries ?? 0 },
      ]}
    />
  );
}
