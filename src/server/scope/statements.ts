import type { StatementVersion, StatementView } from '@/contract/views/scope';
import { isEmptyDiff, statementDiff, type Statement } from '@/core/scope/statement';
import { insert, queryOne, update } from '../database/query';
import { handlers, requireRow, requireVersion } from '../dispatch/handler';
import { notFound, unprocessable } from '../dispatch/refusal';
import { jobHead } from '../sites/job-head';
import { needClientOf, notifyClient } from '../news/notify-client';
import { whenSeen } from '../words';
import { composeStatement, statementGaps } from './compose-statement';
import { scopeCounts } from './read-scope';
import { jobRow } from '../reading/job';
import { readJob, type FirmReading, type JobReading } from '../reading/reading';
import { statementRows, type StatementRow } from '../reading/statements';

export const statementHandlers = handlers({
  'statement.make': (context, { id, job }) => {
    requireRow(context, 'job', job, 'job');
    const content = composeStatement(readJob(context.installation, job));
    if (content.areas.length === 0)
      throw unprocessable(
        'nothing-to-state',
        'Nothing is written down yet: say for at least one area what is in and what is not.',
        'job',
      );
    const last =
      queryOne<{ number: number }>(context.db, 'SELECT number FROM statement WHERE job = @job ORDER BY number DESC', {
        job,
      })?.number ?? 0;
    insert(context.db, 'statement', {
      id,
      job,
      number: last + 1,
      made_at: context.at,
      made_by: context.who.kind === 'person' ? context.who.id : null,
      content: JSON.stringify(content),
      state: 'made',
    });
    context.logFor(job);
  },
  'statement.send': (context, { id, version, ...to }) => {
    const row = requireVersion(context, 'statement', id, version);
    if (row.state === 'agreed') throw unprocessable('agreed-already', 'This was agreed already.', 'id');
    const newest = queryOne<{ number: number }>(
      context.db,
      'SELECT max(number) AS number FROM statement WHERE job = @job',
      {
        job: row.job,
      },
    )?.number;
    if (newest !== row.number) throw unprocessable('not-the-newest', 'There is a newer version; send that one.', 'id');
    update(context.db, 'statement', id, { state: 'sent', sent_at: context.now });
    const { name } = requireRow(context, 'job', row.job);
    notifyClient(
      context,
      row.job,
      {
        title: `What we agree on: ${name}, version ${row.number}`,
        body:
          `Here is what will be done at ${name}, and what will not, room by room. Please read it, ask about ` +
          'anything that is not as you expect, and agree to it with your name on your page.',
      },
      to,
    );
    context.logFor(row.job);
  },
  'statement.agree': (context, { id, name }) => {
    const row = requireRow(context, 'statement', id);
    needClientOf(context, row.job);
    if (row.state !== 'sent')
      throw unprocessable(
        row.state === 'agreed' ? 'agreed-already' : 'not-sent',
        row.state === 'agreed'
          ? `This was agreed already by ${row.agreed_by ?? 'somebody'}.`
          : 'This was not sent yet.',
        'id',
      );
    const newest = queryOne<{ number: number }>(
      context.db,
      `SELECT max(number) AS number FROM statement WHERE job = @job AND state <> 'made'`,
      { job: row.job },
    )?.number;
    if (newest !== row.number)
      throw unprocessable('not-the-newest', 'There is a newer version; please read that one.', 'id');
    update(context.db, 'statement', id, { state: 'agreed', agreed_at: context.now, agreed_by: name });
    context.logFor(row.job);
  },
});

export const contentOf = (row: Pick<StatementRow, 'content'>): Statement => JSON.parse(row.content) as Statement;

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
