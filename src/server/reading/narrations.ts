import { createHash } from 'node:crypto';
import { readCaptions } from '@/core/narration/captions';
import { draftKeys } from '@/core/narration/draft';
import { readNarration, READING_FORM } from '@/core/narration/read';
import { saidAgain } from '@/core/narration/said-again';
import { queryOne } from '../database/query';
import { ofJob, type JobReading } from './reading';
import { spokenNames } from './spoken-names';

/** What narrations of a job are read with now: the form of the reading, and the names of its areas. */
export const readWith = ofJob(
  (job): string =>
    `${READING_FORM} ${createHash('sha256')
      .update(JSON.stringify(spokenNames(job)))
      .digest('hex')
      .slice(0, 16)}`,
);

/** The drafts found in a narration, by their keys; as they were kept, where nothing they were read with has changed. */
export function draftsIn(job: JobReading, narration: { id: string; text: string }): string[] {
  const kept = queryOne<{ drafts: string }>(
    job.firm.db,
    'SELECT drafts FROM narration_reading WHERE narration = @narration AND read_with = @readWith',
    { narration: narration.id, readWith: readWith(job) },
  );
  return kept ? (JSON.parse(kept.drafts) as string[]) : draftsRead(job, narration.text);
}

/** Reads a text and says what is found in it; long texts take their time. */
export function draftsRead(job: JobReading, text: string): string[] {
  const captions = readCaptions(text);
  if (!captions.ok) return [];
  const drafts = readNarration(captions.value.cues, spokenNames(job));
  const again = saidAgain(drafts);
  // What was said again otherwise is settled with its last word.
  return draftKeys(drafts).filter((_, at) => again[at] !== 'later');
}
