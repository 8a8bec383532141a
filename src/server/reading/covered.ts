import { groupBy } from '@/core/group-by';
import { coveredUnseen } from '@/core/sequence/inspections';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { formatDay } from '@/core/units/day';
import { listed } from '@/core/words/count';
import { ofJob, type JobReading } from './reading';
import { inspectionRows } from './sequence';
import { siteOf } from './site';

/** What was begun in an area over something that nobody has passed. */
interface CoveredThere {
  area: string;
  name: string;
  looked: Phase;
  /** The first step that was begun over it. */
  task: string;
  text: string;
}

/** How the newest visit for a step went, of those that are over. */
export const lastVisit = (job: JobReading, area: string, phase: Phase) =>
  inspectionRows(job).findLast((row) => row.area === area && row.phase === phase && row.state !== 'booked');

/** Everything of a job that was begun over what nobody has passed, said so that work there stops. */
export const coveredIn = ofJob((job): CoveredThere[] =>
  siteOf(job).areas.flatMap((area) =>
    [...groupBy(coveredUnseen(area.track), ({ looked }) => looked)].map(([looked, covers]): CoveredThere => {
      const visit = lastVisit(job, area.id, looked);
      const passed =
        visit?.state === 'failed'
          ? `failed on ${formatDay(visit.day, job.firm.today)}: ${visit.words}`
          : 'nobody has passed';
      return {
        area: area.id,
        name: area.name,
        looked,
        task: taskId(area.id, covers[0]?.cover ?? looked),
        text:
          `${listed(covers.map(({ cover }) => phaseFacts(cover).label))} begun, and ${phaseFacts(looked).label} ` +
          `${passed}; stop, and have it looked at before more is covered`,
      };
    }),
  ),
);
