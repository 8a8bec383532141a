import type { SelectionsView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import { today } from '../clock';
import { all } from '../database/query';
import type { House } from '../house';
import { jobHead } from '../sites/queries';
import { selectionsOf } from './queries';

/** The table of selections, and the steps that a new one could be for. */
export function selectionsView(house: House, job: string): SelectionsView {
  const steps = all<{ area: string; name: string; phase: Phase }>(house.db, 'SELECT area.id AS area, area.name, step.phase FROM step JOIN area ON area.id = step.area WHERE area.job = @job ORDER BY area.position', { job });
  return {
    job: jobHead(house, job), today: today(house.clock), selections: selectionsOf(house, job),
    areas: [...groupBy(steps, (step) => step.area)].map(([id, list]) => ({
      id, name: list[0]?.name ?? '',
      phases: list.map(({ phase }) => phase).sort((a, b) => phaseOrder(a) - phaseOrder(b)).map((phase) => ({ phase, label: phaseFacts(phase).label })),
    })),
  };
}
