import type { AreasView } from '@/contract/views/firm';
import type { Work } from '@/core/sequence/works';
import { groupBy } from '@/core/group-by';
import { areasOfOthers, areasUpward, jobRow, levelRows, neighboursOf } from '../reading/job';
import type { JobReading } from '../reading/reading';
import { needsOf } from '../reading/site';
import { jobHead } from './job-head';

/** What is known of a job before its areas are set out, and those that are. */
export function areasView(job: JobReading): AreasView {
  const row = jobRow(job);
  return {
    job: jobHead(job),
    details: {
      version: row.version,
      name: row.name,
      address: row.address,
      client: row.client,
      clientEmail: row.client_email,
      units: row.units,
      state: row.state,
      startDay: row.start_day,
      promiseDay: row.promise_day,
      livedIn: row.lived_in === 1,
      loudHalf: row.loud_half,
      gettingIn: row.getting_in,
    },
    levels: [...levelRows(job)].reverse().map(({ id, name, height }) => ({ id, name, height })),
    areas: areasUpward(job).map((area) => ({
      id: area.id,
      version: area.version,
      name: area.name,
      kind: area.kind,
      level: area.level,
      levelName: area.level_name,
      works: JSON.parse(area.works) as Work[],
      size: area.size,
      livedIn: area.lived_in === 1,
      passage: area.passage === 1,
      called: area.called,
      provides: needsOf(job, area.id),
      ...neighboursOf(job, area.id),
    })),
    earlier: patternsOf(job),
  };
}

/** How many other jobs are offered as patterns. */
const PATTERNS = 6;

/** The newest other jobs that whoever asks may see, each as it was set out. */
function patternsOf(job: JobReading): AreasView['earlier'] {
  const { db, sees } = job.firm;
  const rows = areasOfOthers(db, job.id).filter((row) => !sees.jobs || sees.jobs.has(row.job));
  return [...groupBy(rows, (row) => row.job)].slice(0, PATTERNS).map(([key, areas]) => ({
    key,
    label: `Like ${areas[0]?.job_name ?? ''}`,
    levels: [...new Map(areas.flatMap(({ level, height }) => (level ? [[level, height ?? 0] as const] : [])))].map(
      ([name, height]) => ({ name, height }),
    ),
    areas: areas.map(({ name, kind, level, works, size, passage }) => ({
      ...{ name, kind, level, size, works: JSON.parse(works) as Work[], passage: passage === 1 },
    })),
  }));
}
