import { execute, insert, queryOne } from '../database/query';
import { handlers, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { notFound, Refusal, unprocessable } from '../refusal';
import { addMessage } from './messages';
import { addSent } from './updates';

/** So many questions of one link may be open: whoever has more calls. */
const MOST_OPEN = 10;

/** Whoever holds a link asks about what it is of: its job, or, where it is a sub’s, a job on which they work. */
function needAsker({ db, who }: CommandContext, job: string): { id: string } {
  if (who.kind !== 'link')
    throw new Refusal(403, { code: 'not-allowed', message: 'Questions are asked on a page that somebody was given.' });
  const comes =
    who.sub !== null &&
    queryOne(
      db,
      `SELECT 1 FROM visit_day WHERE crew = @sub AND job = @job
        UNION ALL
        SELECT 1 FROM step JOIN area ON area.id = step.area JOIN sub ON sub.trade = step.trade
          WHERE sub.id = @sub AND area.job = @job`,
      { sub: who.sub, job },
    ) !== undefined;
  if (who.job !== job && !comes) throw notFound('job of yours', 'job');
  return who;
}

export const questionHandlers = handlers({
  'question.ask': (context, { id, job, name, text }) => {
    const { id: link } = needAsker(context, job);
    const open = queryOne<{ count: number }>(
      context.db,
      'SELECT count(*) AS count FROM question WHERE share_link = @link AND answered_at IS NULL',
      { link },
    );
    if ((open?.count ?? 0) >= MOST_OPEN)
      throw unprocessable(
        'too-many-open',
        `${MOST_OPEN} questions of yours wait for an answer already; if it is urgent, please call us.`,
        'text',
      );
    insert(context.db, 'question', { id, job, share_link: link, name, text, asked_at: context.now });
    context.logFor(job);
  },
  'question.answer': (context, { id, version, answer, updateId, messageId }) => {
    const question = requireVersion(context, 'question', id, version);
    if (question.answered_at) throw unprocessable('answered-already', 'This is answered already.', 'answer');
    const by = context.who.kind === 'person' ? context.who.name : '';
    execute(
      context.db,
      `UPDATE question
        SET answer = @answer, answered_at = @now, answered_by = @by, version = version + 1
        WHERE id = @id`,
      { id, answer, by, now: context.now },
    );
    if (tellAnswer(context, question, { answer, updateId, messageId }))
      execute(context.db, 'UPDATE question SET job_update = @updateId WHERE id = @id', { id, updateId });
    context.logFor(question.job);
  },
});

/** Who asked and is reached by mail is written the answer, with the link they have. @returns whether they were */
function tellAnswer(
  context: CommandContext,
  { job, share_link, text }: { job: string; share_link: string; text: string },
  { answer, updateId, messageId }: { answer: string; updateId: string; messageId: string },
): boolean {
  const link = requireRow(context, 'share_link', share_link);
  const to = queryOne<{ recipient: string; address: string }>(
    context.db,
    'SELECT recipient, address FROM message WHERE share_link = @share_link ORDER BY queued_at DESC LIMIT 1',
    { share_link },
  );
  if (!to || link.revoked_at) return false;
  const { name } = requireRow(context, 'job', job);
  const audience = link.audience === 'sub' ? 'crew' : link.audience;
  const words = { title: `${name}: your question`, body: `You asked: ${text}\n\nOur answer: ${answer}` };
  addSent(context.db, { id: updateId, job, audience, ...words }, context.now);
  addMessage(context, { id: messageId, job_update: updateId, share_link, ...to });
  return true;
}
