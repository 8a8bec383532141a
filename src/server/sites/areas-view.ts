import type { AreasView } from '@/contract/views/firm';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { jobHead, requireJob } from './queries';

/** What is known of a job before its areas are set out, and those that are. */
export function areasView(installation: Installation, job: string): AreasView {
  const row = requireJob(installation.db, job);
  return {
    job: jobHead(installation, job),
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
    },
    levels: queryAll(installation.db, 'SELECT id, name, height FROM level WHERE job = @job ORDER BY height', { job }),
    areas: queryAll(
      installation.db,
      `SELECT area.id, area.name, level.name AS level
        FROM area
        LEFT JOIN level ON level.id = area.level
        WHERE area.job = @job
        ORDER BY area.position`,
      { job },
    ),
  };
}
