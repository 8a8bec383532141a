import { insert, queryOne, update } from '../database/query';
import { handlers, prepared, requireRow, requireVersion } from '../door/handler';
import { confirmToClient, needClientOf, notifyClient } from '../news/notify';
import { unprocessable } from '../refusal';

export const statementHandlers = handlers({
  'statement.make': (context, { id, job }) => {
    requireRow(context, 'job', job, 'job');
    const content = prepared(context, 'statement.make');
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
    confirmToClient(context, row.job, { name, what: `statement of work, version ${row.number}: agreed` });
    context.logFor(row.job);
  },
});
