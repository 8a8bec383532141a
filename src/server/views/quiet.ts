import type { QuietView } from '@/contract/views/plan';
import { quietFrom } from '@/core/sequence/quiet';
import { addDays } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { sayQuiet } from '@/core/words/quiet';
import { areaNames } from '../reading/job';
import { quietRows } from '../reading/quiet';
import { householdSince } from '../reading/records';
import type { JobReading } from '../reading/reading';

/** Days for which a note of the household is asked about. */
const ASKED_DAYS = 21;

/** Times of quiet that hold at a job, and notes of the household that sound like one and hold nothing yet. */
export function quietView(job: JobReading): QuietView {
  const { today, zone } = job.firm;
  const rows = quietRows(job);
  const names = areaNames(job);
  const kept = new Set(rows.flatMap(({ observation }) => observation ?? []));
  return {
    times: rows
      .filter(({ last_day }) => last_day === null || last_day >= today)
      .map((row) => ({
        id: row.id,
        text: sayQuiet(
          {
            ...{ area: row.area, covers: row.covers, half: row.half, firstDay: row.first_day, lastDay: row.last_day },
            weekdays: JSON.parse(row.weekdays) as number[],
          },
          row.area === null ? null : (names.get(row.area) ?? ''),
          today,
        ),
        words: row.words,
      })),
    said: householdSince(job, addDays(today, -ASKED_DAYS)).flatMap(({ id, text, area, at }) => {
      const day = dayIn(zone, at);
      const quiet = kept.has(id) ? undefined : quietFrom(text, day);
      if (!quiet || (quiet.lastDay !== null && quiet.lastDay < today)) return [];
      const { covers, half, firstDay, lastDay } = quiet;
      return [{ observation: id, area: names.get(area) ?? '', text, ...{ covers, half, firstDay, lastDay } }];
    }),
  };
}
