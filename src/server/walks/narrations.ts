import { createHash } from 'node:crypto';
import { dropDraft, keepNarration, restoreDraft } from '@/contract/commands/walks';
import { readCaptions } from '@/core/narration/captions';
import { insert, one, orNull, run } from '../database/query';
import { handler, need, type Handler, type Visit } from '../door/handler';
import { Refusal, unfit } from '../door/refusal';
import { walker } from './commands';

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

const touch = (visit: Visit, narration: string): void =>
  visit.touches(
    need<{ job: string }>(visit, 'walk', need<{ walk: string }>(visit, 'narration', narration, 'narration').walk).job,
  );

export const narrationHandlers: Handler[] = [
  handler(keepNarration, (visit, { id, walk, name, text, recording }) => {
    const { job } = need<{ job: string }>(visit, 'walk', walk, 'walk');
    const captions = readCaptions(text);
    if (!captions.ok) throw unfit(captions.problem.code, captions.problem.message, 'text');
    const hash = hashOf(text);
    const same = one<{ name: string }>(visit.db, 'SELECT name FROM narration WHERE walk = @walk AND hash = @hash', {
      walk,
      hash,
    });
    if (same)
      throw new Refusal(409, {
        code: 'narration-kept',
        message: `This narration is kept with this walk already, as “${same.name}”.`,
        field: 'text',
      });
    if (recording) need(visit, 'recording', recording, 'recording');
    insert(visit.db, 'narration', {
      id,
      walk,
      name,
      text,
      hash,
      recording: orNull(recording),
      kept_at: visit.at,
      person: walker(visit),
    });
    visit.touches(job);
    return { cues: captions.value.cues.length, unread: captions.value.unread };
  }),
  handler(dropDraft, (visit, { narration, draft }) => {
    touch(visit, narration);
    run(visit.db, 'INSERT OR IGNORE INTO dropped_draft (narration, draft) VALUES (@narration, @draft)', {
      narration,
      draft,
    });
  }),
  handler(restoreDraft, (visit, { narration, draft }) => {
    touch(visit, narration);
    run(visit.db, 'DELETE FROM dropped_draft WHERE narration = @narration AND draft = @draft', { narration, draft });
  }),
];
