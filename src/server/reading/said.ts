import { queryAll } from '../database/query';
import type { Connection } from '../database/open';

/** Where words stand that somebody wrote or said: of a job, or of the firm where `job` is null. */
type SaidKind =
  | 'said on a walk'
  | 'scope'
  | 'finding'
  | 'assumption'
  | 'added work'
  | 'change'
  | 'request'
  | 'drawing or permit'
  | 'other paper'
  | 'decision'
  | 'neighbour'
  | 'news'
  | 'person'
  | 'supplier'
  | 'client';

export interface SaidRow {
  kind: SaidKind;
  label: string;
  job: string | null;
  /** The area, walk, request or order of work that it belongs to. */
  at: string | null;
}

/** How many of each kind are found. */
const MOST = 6;

/** So many records of walks are looked through, about a year of a large firm; what is in a wall is found for good elsewhere. */
const LOOKED_THROUGH = 100_000;

/** Each kind: its words, its job, where it is, and from what; the newest first. */
const PLACES: readonly { kind: SaidKind; label: string; job: string; at: string; from: string }[] = [
  {
    kind: 'said on a walk',
    label: `seen.text || ', ' || area.name`,
    job: 'seen.job',
    at: 'seen.walk',
    // It is asked while somebody types: of what was said on walks the newest part is looked through; whether it still stands is
    // asked of what was found alone.
    // eslint-disable-next-line no-restricted-syntax
    from: `observation AS seen JOIN area ON area.id = seen.area
      WHERE seen.rowid > (SELECT max(rowid) FROM observation) - ${LOOKED_THROUGH}
        AND seen.text <> '' AND EXISTS (SELECT 1 FROM standing_observation AS stands WHERE stands.id = seen.id)
      ORDER BY seen.rowid DESC`,
  },
  {
    kind: 'scope',
    label: `verb || ' ' || subject || ', ' || area.name`,
    job: 'scope_item.job',
    at: 'area.id',
    from: 'scope_item JOIN area ON area.id = scope_item.area WHERE scope_item.removed = 0 ORDER BY scope_item.rowid DESC',
  },
  {
    kind: 'finding',
    label: `subject || coalesce(', ' || area.name, '')`,
    job: 'finding.job',
    at: 'area.id',
    from: 'finding LEFT JOIN area ON area.id = finding.area WHERE finding.removed = 0 ORDER BY finding.rowid DESC',
  },
  {
    kind: 'assumption',
    label: `text || ', ' || area.name`,
    job: 'assumption.job',
    at: 'area.id',
    from: 'assumption JOIN area ON area.id = assumption.area WHERE assumption.removed = 0 ORDER BY assumption.rowid DESC',
  },
  {
    kind: 'added work',
    label: `text || ', ' || area.name`,
    job: 'extra_work.job',
    at: 'area.id',
    from: 'extra_work JOIN area ON area.id = extra_work.area ORDER BY extra_work.rowid DESC',
  },
  {
    kind: 'change',
    label: `title || ' ' || why`,
    job: 'change_order.job',
    at: 'change_order.id',
    from: 'change_order ORDER BY rowid DESC',
  },
  {
    kind: 'request',
    label: `subject || ', ' || who`,
    job: 'request.job',
    at: 'request.id',
    from: 'request WHERE removed = 0 ORDER BY rowid DESC',
  },
  {
    kind: 'drawing or permit',
    label: `attachment.name || coalesce(', ' || area.name, '')`,
    job: 'attachment.job',
    at: 'attachment.area',
    from: `attachment LEFT JOIN area ON area.id = attachment.area
      WHERE attachment.removed = 0 AND attachment.kind <> 'other' ORDER BY attachment.rowid DESC`,
  },
  {
    kind: 'other paper',
    label: `attachment.name || coalesce(', ' || area.name, '')`,
    job: 'attachment.job',
    at: 'attachment.area',
    from: `attachment LEFT JOIN area ON area.id = attachment.area
      WHERE attachment.removed = 0 AND attachment.kind = 'other' ORDER BY attachment.rowid DESC`,
  },
  {
    kind: 'decision',
    label: `subject || ', ' || reason`,
    job: 'decision.job',
    at: 'decision.area',
    from: 'decision WHERE removed = 0 ORDER BY rowid DESC',
  },
  {
    kind: 'neighbour',
    label: `name || ' ' || phone || ' ' || note`,
    job: 'neighbour.job',
    at: 'NULL',
    from: 'neighbour WHERE removed = 0 ORDER BY rowid DESC',
  },
  {
    kind: 'news',
    label: 'title',
    job: 'job_update.job',
    at: 'NULL',
    from: `job_update WHERE state = 'sent' ORDER BY made_at DESC`,
  },
  {
    kind: 'client',
    label: `client || ', ' || name || ', ' || address`,
    job: 'job.id',
    at: 'NULL',
    from: 'job ORDER BY position DESC',
  },
  {
    kind: 'person',
    label: `name || ', ' || role || ' ' || phone`,
    job: 'NULL',
    at: 'NULL',
    from: `person WHERE state <> 'closed' ORDER BY name`,
  },
  {
    kind: 'person',
    label: `lead_name || ' of ' || name || ' ' || phone`,
    job: 'NULL',
    at: 'NULL',
    from: `sub ORDER BY name`,
  },
  { kind: 'supplier', label: `name || ' ' || phone`, job: 'NULL', at: 'NULL', from: 'supplier ORDER BY name' },
];

/** So many words are looked for; one more would find no other thing. */
const MOST_WORDS = 5;
const WORD = Array.from({ length: MOST_WORDS }, (_, at) => `word${at}`);
/** Each word by itself: a list that is taken apart again for every row took most of the time. The empty word is in all. */
const HAS_ALL = WORD.map((word) => `instr(lower(label), @${word}) > 0`).join(' AND ');

const STATEMENT = PLACES.map(
  ({ kind, label, job, at, from }) =>
    `SELECT * FROM (
      SELECT '${kind}' AS kind, label, job, at
        FROM (SELECT ${label} AS label, ${job} AS job, ${at} AS at FROM ${from})
        WHERE ${HAS_ALL}
          AND (job IS NULL OR job IN (SELECT id FROM job WHERE removed = 0))
        LIMIT ${MOST})`,
).join(' UNION ALL ');

/**
 * Everything written or said that has all of some words.
 * @param words in small letters
 */
export const saidWith = (db: Connection, words: readonly string[]): SaidRow[] =>
  queryAll<SaidRow>(db, STATEMENT, Object.fromEntries(WORD.map((word, at) => [word, words[at] ?? ''])));
