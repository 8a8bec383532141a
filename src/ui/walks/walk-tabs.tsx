import { routes } from '@/contract/routes';
import { SubTabs } from '../kit/sub-tabs';

/** The pages of Walks. */
export const WalkTabs = ({ job }: { job: string }) => (
  <SubTabs
    of="Walks"
    places={[
      { path: routes.walks(job), label: 'Walks' },
      { path: routes.completion(job), label: 'Completion' },
      { path: routes.pictures(job), label: 'Pictures' },
      { path: routes.history(job), label: 'History' },
    ]}
  />
);
