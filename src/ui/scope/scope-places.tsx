import type { ScopeCounts } from '@/contract/views/scope';
import { SubPlaces } from '../kit/sub-places';

/** The pages of Scope. */
export function ScopePlaces({ job, counts }: { job: string; counts?: ScopeCounts }) {
  return (
    <SubPlaces
      of="Scope"
      base={`/jobs/${job}/scope`}
      places={[
        { path: '', label: 'By area' },
        { path: '/visit', label: 'First visit' },
        { path: '/assumptions', label: 'Assumptions', waiting: counts?.assumptions ?? 0 },
        { path: '/options', label: 'Options', waiting: counts?.options ?? 0 },
        { path: '/levels', label: 'Levels' },
        { path: '/materials', label: 'Materials' },
        { path: '/changes', label: 'Changes', waiting: counts?.changes ?? 0 },
        { path: '/statement', label: 'Statement' },
      ]}
    />
  );
}
