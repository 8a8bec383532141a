import type { PastPlace } from '@/contract/past';
import type { PicturesView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { formatDay } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { pastShown } from '../reading/past';
import { newestPictures } from '../reading/pictures';
import type { JobReading } from '../reading/reading';
import { jobHead } from './job-head';
import { pictureViews } from './room';

/** How many pictures hang on the wall at once. */
const SHOWN = 48;

/** Every picture of a job by the day on which it was kept, and by its room. @param before a place in the past */
export function picturesView(job: JobReading, before?: PastPlace): PicturesView {
  const rows = newestPictures(job, SHOWN + 1, before);
  const shown = rows.slice(0, SHOWN);
  const oldest = shown.at(-1);
  const { zone, today } = job.firm;
  return {
    job: jobHead(job),
    days: [...groupBy(shown, ({ at }) => dayIn(zone, at))].map(([day, taken]) => ({
      day: formatDay(day, today),
      areas: [...groupBy(pictureViews(job, taken, day), ({ area }) => area)].map(([name, pictures]) => ({
        name,
        pictures,
      })),
    })),
    past: pastShown(before, oldest && rows.length > SHOWN ? { at: oldest.at, id: oldest.id } : null),
  };
}
