import { arrivalOf, type Coming } from '@/core/selections/arrival';
import { openingsIn, workUntil, type Opening } from '@/core/sequence/openings';
import type { SiteArea } from '@/core/sequence/site';
import type { Phase } from '@/core/sequence/phases';
import { addDays, type Day } from '@/core/units/day';
import { isWorkday } from '@/core/units/workday';
import type { Rows } from '../database/rows';
import { closuresOf, holidaysOf } from './firm';
import { OF_JOBS, ofJob, rowsOf, type JobReading } from './reading';
import { openRequests, orderedOf, selectionRows } from './selections';
import { siteOf } from './site';

/** Openings that somebody has decided to make all the same. */
export const openedAnyway = rowsOf<Rows['opened_anyway'] & { job: string; reason: string }>(
  `SELECT opened_anyway.*, decision.job, decision.reason
    FROM opened_anyway
    JOIN decision ON decision.id = opened_anyway.decision
    WHERE decision.job ${OF_JOBS} AND decision.removed = 0`,
);

/** What would be opened, and what of that which closes it has no day, or comes late. */
export interface OpenOnce extends Opening {
  area: SiteArea;
  /** It is done already, or begun. */
  begun: boolean;
  /** What closes it and is still to come, the latest last. */
  coming: (Coming & { selection: string; thing: string; phase: Phase })[];
  /** Steps that close it for which nothing is chosen at all. */
  unchosen: Phase[];
  /** The first day on which it may be opened, so that what closes it is there when the work reaches it. */
  from: Day | null;
}

/** Everything a job opens that nobody has decided to open all the same. */
export const openingsOf = ofJob((job): OpenOnce[] => {
  const site = siteOf(job);
  const anyway = new Set(openedAnyway(job).map(({ area, phase }) => `${area}:${phase}`));
  return site.areas.flatMap((area) =>
    openingsIn(site, area)
      .filter(({ opens }) => !anyway.has(`${area.id}:${opens}`))
      .map((opening) => openOnce(job, area, opening)),
  );
});

function openOnce(job: JobReading, area: SiteArea, opening: Opening): OpenOnce {
  const { today } = job.firm;
  const closures = closuresOf(job.firm);
  const requests = openRequests(job);
  const open = opening.closes.filter((phase) => (area.track.find((step) => step.phase === phase)?.fraction ?? 1) < 1);
  const rows = selectionRows(job).filter((row) => row.area === area.id && open.includes(row.phase) && !row.return_trip);
  const coming = rows.flatMap((row): OpenOnce['coming'] => {
    const arrival = arrivalOf(
      orderedOf(row),
      (row.supplier && closures.get(row.supplier)) || [],
      requests.get(row.id) ?? [],
      today,
    );
    return arrival ? [{ ...arrival, selection: row.id, thing: row.category, phase: row.phase }] : [];
  });
  const from = coming.map(({ usable, phase }) => before(job, usable, workUntil(area, opening.opens, phase))).sort();
  return {
    ...opening,
    area,
    begun: (area.track.find((step) => step.phase === opening.opens)?.fraction ?? 0) > 0,
    coming: coming.sort((a, b) => (a.usable < b.usable ? -1 : 1)),
    unchosen: opening.chosen.filter((phase) => open.includes(phase) && !rows.some((row) => row.phase === phase)),
    from: from.at(-1) ?? null,
  };
}

/** The day on which work of so many half-days begins, for it to reach a day. */
function before(job: JobReading, day: Day, halfDays: number): Day {
  const holidays = holidaysOf(job.firm);
  let at = day;
  for (let left = Math.ceil(halfDays / 2); left > 0;) {
    at = addDays(at, -1);
    if (isWorkday(at, holidays)) left--;
  }
  return at;
}
