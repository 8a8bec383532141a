import { routes } from '@/contract/routes';
import type { ScopeCounts } from '@/contract/views/scope';
import { SubTabs } from '../kit/sub-tabs';

/** The pages of Scope. */
export function ScopeTabs({ job, counts }: { job: string; counts?: ScopeCounts }) {
  return (
    <SubTabs
      of="Scope"
      places={[
        { path: routes.scope(job), label: 'By area' },
        { path: routes.firstVisit(job), label: 'First visit' },
        { path: routes.assemblies(job), label: 'Assemblies' },
        { path: routes.assumptions(job), label: 'Assumptions', waiting: counts?.assumptions ?? 0 },
        { path: routes.options(job), label: 'Options', waiting: counts?.options ?? 0 },
        { path: routes.levels(job), label: 'Levels' },
        { path: routes.materials(job), label: 'Materials' },
        { path: routes.prices(job), label: 'Prices' },
        { path: routes.changes(job), label: 'Changes', waiting: counts?.changes ?? 0 },
        { path: routes.statement(job), label: 'Statement' },
        { path: routes.money(job), label: 'Money' },
      ]}
    />
  );
}
