import type { ClientShared, TourPicture } from '@/contract/views/news';
import type { Of } from '@/core/walks/observation';
import { areaNames, areaRows } from '../reading/job';
import { newestPictures, picturesFrom } from '../reading/pictures';
import type { JobReading } from '../reading/reading';
import { standpointRows } from '../reading/walks';
import { whenSeen } from '../words';

/** Places that are shown, and pictures that are looked through for them. */
const PLACES = 12;
const LOOKED_THROUGH = 60;

/**
 * A job from picture to picture, room by room in the order of a walk: where the same spot was taken before, as it was and
 * as it is; else its newest picture. What was said there stands beneath it.
 */
export function tourOf(job: JobReading): ClientShared['tour'] {
  const spots = standpointRows(job);
  const taken = picturesFrom(
    job.firm.db,
    spots.map(({ id }) => id),
    1,
  );
  const newest = newestPictures(job, LOOKED_THROUGH);
  return areaRows(job)
    .flatMap(({ id: area, name }) => {
      const there = spots
        .filter((spot) => spot.area === area)
        .map(({ id }) => taken.filter((picture) => picture.standpoint === id))
        .sort((a, b) => b.length - a.length)[0];
      const [now, before] = there?.length ? [there.at(-1), there[0]] : [newest.find((one) => one.area === area)];
      if (!now) return [];
      return [
        {
          ...{ area: name, text: now.text ?? '' },
          before: before && before !== now ? pictureOf(job, name, before) : null,
          now: pictureOf(job, name, now),
        },
      ];
    })
    .slice(0, PLACES);
}

function pictureOf(job: JobReading, area: string, { picture: hash, at, text }: Of<'picture'>): TourPicture {
  const when = whenSeen(at, job.firm);
  return { hash, when, alt: `${area}, ${when}${text ? `: ${text}` : ''}` };
}

/** The newest picture of a room that was taken from a spot. */
export function spotOf(job: JobReading, area: string): { id: string; picture: TourPicture } | null {
  const spots = standpointRows(job).flatMap((spot) => (spot.area === area ? [spot.id] : []));
  const newest = picturesFrom(job.firm.db, spots, 1).at(-1);
  return newest?.standpoint
    ? { id: newest.standpoint, picture: pictureOf(job, areaNames(job).get(area) ?? '', newest) }
    : null;
}
