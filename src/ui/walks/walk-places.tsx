import { routes } from '@/contract/routes';
import { SubPlaces } from '../kit/sub-places';

/** The pages of Walks. */
export const WalkPlaces = ({ job }: { job: string }) => (
  <SubPlaces
    of="Walks"
    places={[
      { path: routes.walks(job), label: 'Walks' },
      { path: routes.completion(job), label: 'Completion' },
    ]}
  />
);
