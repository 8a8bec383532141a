import { readdir, rm, rmdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { allTables, columnsOf, referencesOf } from '../database/job-tables';
import { execute, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { isKept, KEPT, KEPT_KINDS, type Kept } from '../database/kept';

/** A file that was begun or has no record is left alone this long: somebody may be at it. */
const A_DAY_MS = 86_400_000;
/** A picture comes before the record that names it, which may wait on a telephone in a drawer. */
const UNNAMED_MS = 90 * A_DAY_MS;
/** So many that nothing names are looked into at a time. */
const AT_A_TIME = 500;

export interface Swept {
  /** Files that were begun and never finished. */
  begun: number;
  /** Files that no row of the database has. */
  unknown: number;
  /** Pictures, recordings and PDFs that nothing has named for long. */
  unnamed: number;
}

/**
 * Takes away what lies beside the records and belongs to none of them: what was begun when a server stopped, files of
 * uploads that were never noted, pictures that nothing has named for three months.
 * @param now the machine's time, by which files are dated
 */
export async function sweepFiles({ db, folder }: Pick<Installation, 'db' | 'folder'>, now: Date): Promise<Swept> {
  const swept: Swept = { begun: 0, unknown: 0, unnamed: 0 };
  for (const kind of KEPT_KINDS) {
    const at = join(folder, KEPT[kind]);
    for (const part of await namesIn(at))
      for (const name of await namesIn(join(at, part))) {
        const file = join(at, part, name);
        const age = now.getTime() - (await stat(file)).mtimeMs;
        const hash = name.split('.', 1)[0] ?? '';
        if (name.endsWith('.part') ? age < A_DAY_MS : isKnown(db, kind, hash) || age < A_DAY_MS) continue;
        await rm(file, { force: true });
        swept[name.endsWith('.part') ? 'begun' : 'unknown'] += name.endsWith('.part') || name === hash ? 1 : 0;
      }
    swept.unnamed += await sweepUnnamed(db, kind, at, now);
  }
  return swept;
}

const namesIn = (folder: string): Promise<string[]> => readdir(folder).catch(() => []);

const isKnown = (db: Connection, kind: Kept, hash: string): boolean =>
  queryOne(db, `SELECT 1 FROM ${kind} WHERE hash = @hash`, { hash }) !== undefined;

async function sweepUnnamed(db: Connection, kind: Kept, at: string, now: Date): Promise<number> {
  let swept = 0;
  for (const { hash } of unreferenced(db, kind)) {
    const folder = join(at, hash.slice(0, 2));
    const age =
      now.getTime() -
      (await stat(join(folder, hash)).then(
        ({ mtimeMs }) => mtimeMs,
        () => 0,
      ));
    if (age < UNNAMED_MS || isWritten(db, hash)) continue;
    execute(db, `DELETE FROM ${kind} WHERE hash = @hash`, { hash });
    for (const name of await namesIn(folder)) if (name.startsWith(hash)) await rm(join(folder, name));
    if ((await namesIn(folder)).length === 0) await rmdir(folder).catch(() => undefined);
    swept += 1;
  }
  return swept;
}

/** Those that no row refers to by a key of its own. */
function unreferenced(db: Connection, kind: Kept): { hash: string }[] {
  const named = allTables(db).flatMap((table) =>
    referencesOf(db, table)
      .filter(({ table: to }) => to === kind)
      .map(({ from }) => `NOT EXISTS (SELECT 1 FROM "${table}" WHERE "${from}" = ${kind}.hash)`),
  );
  return queryAll(db, `SELECT hash FROM ${kind} WHERE ${named.join(' AND ')} LIMIT ${AT_A_TIME}`);
}

/** Whether it is named within something longer: the pictures of what is chosen between, what an undo would bring back. */
const isWritten = (db: Connection, hash: string): boolean =>
  allTables(db)
    .filter((table) => !isKept(table) && table !== 'command_log')
    .some((table) => {
      const texts = columnsOf(db, table).map((column) => `instr("${column}", @hash) > 0`);
      return queryOne(db, `SELECT 1 FROM "${table}" WHERE ${texts.join(' OR ')} LIMIT 1`, { hash }) !== undefined;
    });
