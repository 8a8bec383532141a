import type { Site } from '@/core/sequence/site';
import type { ChangeEffect } from '../door/prepared';
import type { FirmReading } from '../reading/reading';
import { dropsOfChange, workOfChange, type ChangeRow } from '../scope/changes';
import { finishIf } from './what-if';

/** The job as it would be with this change. */
function withChange(row: Pick<ChangeRow, 'id' | 'area' | 'title' | 'work' | 'drops'>): (site: Site) => Site {
  const [work, drops] = [workOfChange(row), dropsOfChange(row)];
  return (site) => ({
    ...site,
    areas: site.areas.map((area) =>
      area.id === row.area
        ? { ...area, track: area.track.filter((step) => step.fraction > 0 || !drops.includes(step.phase)) }
        : area,
    ),
    extras: work
      ? [
          ...site.extras,
          {
            id: row.id,
            area: row.area,
            text: row.title,
            trade: work.trade,
            halfDays: work.halfDays,
            after: work.after ?? null,
            reason: `it comes with the change “${row.title}”`,
          },
        ]
      : site.extras,
  });
}

/** The finish without it and with it, as the plan of today says. */
export const effectOfChange = (firm: FirmReading, row: ChangeRow): ChangeEffect => ({
  before: finishIf(firm, row.job).job,
  after: finishIf(firm, row.job, { site: withChange(row) }).job,
});
