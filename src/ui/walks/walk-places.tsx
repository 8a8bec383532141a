import { SubPlaces } from '../kit/sub-places';

/** The pages of Walks. */
export const WalkPlaces = ({ job }: { job: string }) => (
  <SubPlaces
    of="Walks"
    base={`/jobs/${job}/walks`}
    places={[
      { path: '', label: 'Walks' },
      { path: '/completion', label: 'Completion' },
    ]}
  />
);
