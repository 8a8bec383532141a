import type { StatementVersion, StatementView } from '@/contract/views/scope';
import { isEmptyDiff, statementDiff, statementFrom, type Statement } from '@/core/scope/statement';
import { jobRow } from '../reading/job';
import type { FirmReading, JobReading } from '../reading/reading';
import { statementRows, type StatementRow } from '../reading/statements';
import { notFound } from '../refusal';
import { whenSeen } from '../words';
import { composeStatement, statementGaps } from './compose-statement';
import { jobHead } from './job-head';
import { scopeCounts } from './scope-parts';

export const contentOf = (row: Pick<StatementRow, 'content'>): Statement => statementFrom(row.content);

function versionView(time: FirmReading, row: StatementRow): StatementVersion {
  return {
    id: row.id,
    version: row.version,
    number: row.number,
    state: row.state,
    made: whenSeen(row.made_at, time),
    agreed: row.agreed_at ? `${row.agreed_by ?? ''}, ${whenSeen(row.agreed_at, time)}` : null,
  };
}

/**
 * A version (the newest unless named), what it says, and what it changed; before the first, what it would say today.
 */
export function statementView(job: JobReading, number?: number): StatementView {
  const rows = statementRows(job);
  const row = number === undefined ? rows[0] : rows.find((statement) => statement.number === number);
  if (number !== undefined && !row) throw notFound('version of this statement');
  const today_ = composeStatement(job);
  const content = row ? contentOf(row) : today_;
  const former = row && rows.find((statement) => statement.number < row.number);
  const { client, client_email } = jobRow(job);
  // The dates move with every plan; what was agreed does not.
  const undated = (statement: Statement): Statement => ({ ...statement, dates: [] });
  return {
    job: jobHead(job),
    today: job.firm.today,
    versions: rows.map((statement) => versionView(job.firm, statement)),
    shown: row ? versionView(job.firm, row) : null,
    content,
    diff: former ? { ...statementDiff(contentOf(former), content), against: former.number } : null,
    outdated: rows[0] !== undefined && !isEmptyDiff(statementDiff(undated(contentOf(rows[0])), undated(today_))),
    gaps: statementGaps(job),
    client: { name: client || 'Client', address: client_email },
    counts: scopeCounts(job),
  };
}
