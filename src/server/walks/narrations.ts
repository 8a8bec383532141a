import { createHash } from 'node:crypto';
import { readCaptions } from '@/core/narration/captions';
import { insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireRow, type CommandContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';
import { walker } from './commands';

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

const touch = (context: CommandContext, narration: string): void =>
  context.logFor(requireRow(context, 'walk', requireRow(context, 'narration', narration, 'narration').walk).job);

export const narrationHandlers = handlers({
  'narration.keep': (context, { id, walk, name, text, recording }) => {
    const { job } = requireRow(context, 'walk', walk, 'walk');
    const captions = readCaptions(text);
    if (!captions.ok) throw unprocessable(captions.problem.code, captions.problem.message, 'text');
    const hash = hashOf(text);
    const same = queryOne<{ name: string }>(
      context.db,
      'SELECT name FROM narration WHERE walk = @walk AND hash = @hash',
      {
        walk,
        hash,
      },
    );
    if (same)
      throw new Refusal(409, {
        code: 'narration-kept',
        message: `This narration is kept with this walk already, as “${same.name}”.`,
        field: 'text',
      });
    if (recording) requireRow(context, 'recording', recording, 'recording');
    insert(context.db, 'narration', {
      id,
      walk,
      name,
      text,
      hash,
      recording: orNull(recording),
      kept_at: context.at,
      person: walker(context),
    });
    context.logFor(job);
    // Its thread reads it.
    context.wakePlanner();
    return { cues: captions.value.cues.length, unread: captions.value.unread };
  },
  'draft.drop': (context, { narration, draft }) => {
    touch(context, narration);
    execute(context.db, 'INSERT OR IGNORE INTO dropped_draft (narration, draft) VALUES (@narration, @draft)', {
      narration,
      draft,
    });
  },
  'draft.restore': (context, { narration, draft }) => {
    touch(context, narration);
    execute(context.db, 'DELETE FROM dropped_draft WHERE narration = @narration AND draft = @draft', {
      narration,
      draft,
    });
  },
});
