import { createReadStream } from 'node:fs';
import { eraser, wordKind } from '@/core/people/erase-words';
import { changesSince } from '../database/changes';
import { allTables, referencesOf } from '../database/job-tables';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { forgetAccount } from '../accounts/people';
import { forgetSignIns } from '../accounts/sign-ins';
import { writeLog } from '../door/log';
import { temporaryFile } from '../files/temporary';
import { databaseFile, type Installation } from '../installation';
import { unprocessable } from '../refusal';
import { forgetOriginsOf } from '../news/links';
import { refuseWhereServed } from '../serving';
import { placeOf } from './places';

/** Who is taken out: by the words that name them, and who of the firm it is where it is somebody of the firm. */
export interface ErasureTerms {
  words: string[];
  person: string | null;
}

/** How often something stands where. */
export interface Place {
  where: string;
  times: number;
}

export interface Erasure {
  standIn: string;
  places: Place[];
  /** How often one of the words still stands in the file, unused parts of it looked through too. */
  still: number;
}

/** A column that holds words of people, and how its rows are found. */
interface TextColumn {
  table: string;
  name: string;
  /** Whether nothing may stand in it. */
  nullable: boolean;
  key: string[];
}

interface ColumnInfo {
  name: string;
  type: string;
  pk: number;
  hidden: number;
  notnull: 0 | 1;
}

/** Every column of text but those by which rows are found and name each other; a new table is among them by itself. */
function textColumns(db: Connection): TextColumn[] {
  return allTables(db).flatMap((table) => {
    const columns = db.pragma(`table_xinfo(${table})`) as ColumnInfo[];
    const naming = new Set(referencesOf(db, table).map(({ from }) => from));
    const keys = columns.filter(({ pk }) => pk > 0).map(({ name }) => name);
    return columns
      .filter(({ type, pk, hidden, name }) => type === 'TEXT' && pk === 0 && hidden === 0 && !naming.has(name))
      .map(({ name, notnull }) => ({ table, name, nullable: notnull === 0, key: keys.length > 0 ? keys : ['rowid'] }));
  });
}

/** What a row has to hold to be looked at: a word, or the digits of a number in their order. */
const likeOf = (word: string): string =>
  wordKind(word) === 'phone'
    ? `%${word.replace(/\D/g, '').split('').join('%')}%`
    : `%${word.trim().split(/\s+/).join('%')}%`;

/** Goes through everything that holds one of the words. @param change what is done with what is found */
function eachPlace(
  db: Connection,
  { words }: ErasureTerms,
  standIn: string,
  change?: (column: TextColumn, key: Record<string, string | number>, text: string | null) => void,
): Place[] {
  const erase = eraser(words, standIn);
  const found = new Map<string, number>();
  const likes = Object.fromEntries(words.map((word, at) => [`like${at}`, likeOf(word)]));
  for (const column of textColumns(db)) {
    const { table, name, key, nullable } = column;
    const rows = queryAll<Record<string, string | number>>(
      db,
      `SELECT "${name}" AS "the text", ${key.map((part) => (part === 'rowid' ? 'rowid' : `"${part}"`)).join(', ')}
        FROM "${table}"
        WHERE ${words.map((_, at) => `"${name}" LIKE @like${at}`).join(' OR ')}`,
      likes,
    );
    for (const { 'the text': text, ...id } of rows) {
      const { text: without, times } = erase(String(text));
      if (times === 0) continue;
      found.set(placeOf(table), (found.get(placeOf(table)) ?? 0) + times);
      // An address or a number that stands alone is not another one afterwards, but none.
      const alone = without === 'an address' || without === 'a number';
      change?.(column, id, alone ? (nullable ? null : '') : without);
    }
  }
  return [...found].map(([where, times]) => ({ where, times })).sort((a, b) => b.times - a.times);
}

function needWords({ db }: Installation, { words, person }: ErasureTerms): void {
  const vague = words.findIndex((word) => wordKind(word) === undefined);
  if (words.length === 0 || vague >= 0) {
    const said = words.length === 0 ? 'Nothing' : `“${words[vague] ?? ''}”`;
    throw unprocessable(
      'names-nobody',
      `${said} names nobody: write a name of three letters or more with its capital, an address, or a whole number.`,
      'words',
    );
  }
  const active = person && queryOne(db, `SELECT 1 FROM person WHERE id = @person AND state <> 'closed'`, { person });
  if (active)
    throw unprocessable(
      'still-here',
      'They are still let in: write first, under People, that they have left.',
      'person',
    );
}

/** Where somebody is named, before anything is done about it. */
export function whereNamed(installation: Installation, terms: ErasureTerms): Place[] {
  needWords(installation, terms);
  return eachPlace(installation.db, terms, '');
}

/**
 * Takes somebody out of everything: of rows, of the log, of what an undo would bring back, of letters. A stand-in takes the
 * place of their name; what they recorded stays. The file is looked through afterwards, byte by byte.
 */
export async function erase(
  installation: Installation,
  terms: ErasureTerms,
  who: string,
): Promise<Erasure & { seq: number }> {
  refuseWhereServed('Taking somebody out of everything');
  needWords(installation, terms);
  const { db, clock } = installation;
  const now = clock.now().toISOString();
  const { places, standIn, id, seq } = db
    .transaction(() => {
      db.pragma('defer_foreign_keys = ON');
      const number = queryOne<{ next: number }>(db, 'SELECT coalesce(max(id), 0) + 1 AS next FROM erasure')?.next ?? 1;
      const name = `Somebody ${number}`;
      forgetSignIns(db, terms.words);
      forgetOriginsOf(db, terms.words);
      const gone = eachPlace(db, terms, name, (column, key, text) => put(db, column, key, text));
      if (terms.person) forgetAccount(db, terms.person);
      insert(db, 'erasure', {
        ...{ id: number, at: now, person: terms.person, stand_in: name, places: JSON.stringify(gone), still: 0 },
      });
      // Nobody takes this back.
      changesSince(db);
      const log = writeLog(db, {
        ...{ id: crypto.randomUUID(), type: 'person.erased', at: now, applied_at: now, who, job: null },
        ...{ payload: JSON.stringify({ erasure: number }), result: 'null' },
      });
      return { places: gone, standIn: name, id: number, seq: log };
    })
    .immediate();
  const still = await lookThrough(installation, terms);
  execute(db, 'UPDATE erasure SET still = @still WHERE id = @id', { id, still });
  return { standIn, places, still, seq };
}

function put(
  db: Connection,
  { table, name }: TextColumn,
  key: Record<string, string | number>,
  text: string | null,
): void {
  const where = Object.keys(key).map((part) => `${part === 'rowid' ? 'rowid' : `"${part}"`} = @key_${part}`);
  execute(db, `UPDATE "${table}" SET "${name}" = @text WHERE ${where.join(' AND ')}`, {
    text,
    ...Object.fromEntries(Object.entries(key).map(([part, value]) => [`key_${part}`, value])),
  });
}

/**
 * How often one of the words still stands: in rows, and in parts of the file that are not used any more. What was deleted
 * is written over with zeros since files are opened so; where an older one still holds something, it is written anew.
 */
async function lookThrough(installation: Installation, terms: ErasureTerms): Promise<number> {
  const { db } = installation;
  const inRows = eachPlace(db, terms, '').reduce((sum, { times }) => sum + times, 0);
  if ((await inUnused(installation, terms.words)) === 0) return inRows;
  db.exec('VACUUM');
  return inRows + (await inUnused(installation, terms.words));
}

/** What the file holds beyond a copy that has nothing but its rows; a part of a longer word stands in both. */
async function inUnused({ db, folder }: Installation, words: readonly string[]): Promise<number> {
  const { file: copy, drop } = temporaryFile();
  try {
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.prepare('VACUUM INTO ?').run(copy);
    return Math.max(0, (await timesIn(databaseFile(folder), words)) - (await timesIn(copy, words)));
  } finally {
    drop();
  }
}

/** How often any of some words stands in a file, within longer ones too: what follows in a file follows without a gap. */
async function timesIn(file: string, words: readonly string[]): Promise<number> {
  const wanted = words.map((word) => Buffer.from(word.trim()));
  const overlap = Math.max(...wanted.map(({ length }) => length)) - 1;
  let [rest, times] = [Buffer.alloc(0), 0];
  for await (const part of createReadStream(file, { highWaterMark: 1 << 20 })) {
    const bytes = Buffer.concat([rest, part as Buffer]);
    for (const word of wanted)
      // What ends within the rest was counted with the part before.
      for (let at = bytes.indexOf(word); at >= 0; at = bytes.indexOf(word, at + 1))
        if (at + word.length > rest.length) times += 1;
    rest = bytes.subarray(-overlap);
  }
  return times;
}
