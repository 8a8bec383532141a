import { routes } from '@/contract/routes';
import { SubTabs } from '../kit/sub-tabs';

/** The two pages of the firm: who belongs to it, and how it counts and works. */
export const FirmTabs = () => (
  <SubTabs
    of="the firm"
    places={[
      { path: routes.firm(), label: 'Subs and people' },
      { path: routes.settings(), label: 'Settings' },
    ]}
  />
);
