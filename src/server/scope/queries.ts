import type { ScopeListView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import { all } from '../database/query';
import type { House } from '../house';
import { jobHead } from '../sites/queries';
import { scopeOf } from '../sites/room';

/** What was agreed, area by area: what will be done, what will not, what stays live, what is protected. */
export function scopeView(house: House, job: string): ScopeListView {
  const lines = groupBy(scopeOf(house.db, job), (line) => line.areaId);
  return {
    job: jobHead(house, job),
    areas: all<{ id: string; name: string }>(house.db, 'SELECT id, name FROM area WHERE job = @job ORDER BY position', { job }).map((area) => ({ ...area, lines: lines.get(area.id) ?? [] })),
  };
}
