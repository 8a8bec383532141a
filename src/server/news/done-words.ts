import { execute, insert, queryOne } from '../database/query';
import { requireRow, requireVersion, type CommandContext } from '../door/handler';
import type { Rows } from '../database/rows';
import { readPlan } from '../reading/plan';
import { notFound, Refusal, unprocessable } from '../refusal';
import type { Payload } from '@/contract/commands';
import type { Phase } from '@/core/sequence/phases';

/** So many words of one link may wait to be looked at. */
const MOST_OPEN = 20;

/** A sub says that a piece of their own work is done; nothing is taken for done by it. */
export function keepDoneWord(
  context: CommandContext,
  { id, task, name, note, picture, standpoint }: Payload<'done.say'>,
): void {
  const { who, db } = context;
  if (who.kind !== 'link' || who.audience !== 'sub')
    throw new Refusal(403, { code: 'not-allowed', message: 'Only whoever does the work can say that it is done.' });
  const planned = readPlan(db)?.tasks.find((one) => one.id === task);
  const { area, phase } = planned ?? {};
  if (!planned || planned.crew !== who.sub || !area || !phase) throw notFound('work of yours', 'task');
  if (planned.state === 'done') throw unprocessable('done-already', 'This is down as done already.', 'task');
  const open = queryOne<{ same: number | null; count: number }>(
    db,
    `SELECT count(*) AS count, sum(area = @area AND phase = @phase) AS same
      FROM done_word
      WHERE share_link = @link AND settled_at IS NULL`,
    { link: who.id, area, phase },
  );
  if (open?.same) throw unprocessable('said-already', 'You said so already; they look at it.', 'task');
  if ((open?.count ?? 0) >= MOST_OPEN)
    throw unprocessable(
      'too-many-open',
      `${MOST_OPEN} pieces of yours are to be looked at already; please call.`,
      'task',
    );
  if (picture) requireRow(context, 'picture', picture, 'picture');
  insert(db, 'done_word', {
    ...{ id, job: planned.job, area, phase, share_link: who.id, name, note },
    ...{ picture: picture ?? null, standpoint: picture ? spotIn(context, area, standpoint) : null },
    said_at: context.now,
  });
  context.logFor(planned.job);
}

/** The spot of a room from which a picture was taken; null where it was taken from elsewhere. */
function spotIn(context: CommandContext, area: string, id: string | undefined): string | null {
  if (!id) return null;
  if (requireRow(context, 'standpoint', id, 'standpoint').area !== area) throw notFound('spot there', 'standpoint');
  return id;
}

/** Its word, if nobody has settled it yet; it is settled from now on. */
export function settleDoneWord(
  context: CommandContext,
  { id, version }: { id: string; version: number },
  verdict: 'taken' | 'not yet',
  answer = '',
): Rows['done_word'] & { phase: Phase } {
  const word = requireVersion(context, 'done_word', id, version);
  if (word.settled_at) throw unprocessable('settled-already', 'This is settled already.', 'id');
  execute(
    context.db,
    `UPDATE done_word
      SET verdict = @verdict, answer = @answer, settled_at = @now, settled_by = @by, version = version + 1
      WHERE id = @id`,
    { id, verdict, answer, now: context.now, by: context.who.kind === 'person' ? context.who.name : '' },
  );
  return word;
}
