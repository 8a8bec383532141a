import { createHash, randomUUID } from 'node:crypto';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { queryOne } from '../database/query';
import { columnsOf, jobTables, OF_FIRM } from '../database/job-tables';
import type { Connection } from '../database/open';
import { writeLog } from '../door/log';
import { markPlan } from '../door/marks';
import { KEPT, type Kept } from '../database/kept';
import { keepPdf } from '../files/pdfs';
import { keepPicture } from '../files/pictures';
import { needRoom } from '../files/room';
import { isRecordingType, keepRecording } from '../files/recordings';
import type { Installation } from '../installation';
import { Refusal, unprocessable } from '../refusal';
import { refuseWhereServed } from '../serving';
import { storageRefusal } from '../storage-fault';
import { hashOf, tokenOf } from '../tokens';
import { rebuildStanding } from '../walks/rebuild';
import { newestMigration, rowsOfJob, type Row, type TableRows } from './tables';
import { ARCHIVE_FORM, ARCHIVE_KIND, type Label } from './write';

/** What an archive may hold, by name; anything else in it makes it none of ours. */
const NAMES =
  /^(archive\.json|tables\/[a-z_]+\.json|csv\/[a-z_]+\.csv|(pictures|recordings|pdfs)\/[0-9a-f]{64}|papers\/[\w.-]+)$/;
export const MOST = { entries: 50_000, table: 256 * 1024 * 1024, file: 256 * 1024 * 1024, all: 8 * 1024 ** 3 };

export const refused = (message: string): Refusal =>
  unprocessable('no-archive', `${message} Nothing of it was taken.`, 'archive');

type Folder = (typeof KEPT)[Kept];
const isFolder = (name: string): name is Folder => Object.values(KEPT).some((folder) => folder === name);

interface Archive {
  label: Label;
  tables: TableRows;
  zip: ZipFile;
  /** Pictures, recordings and PDFs, by the folder they lie in and their hash. */
  files: { entry: Entry; kind: Folder; hash: string }[];
}

/**
 * Reads a job out of an archive into this house: all of it, or nothing. A torn, altered, hostile or newer archive is refused
 * with what is wrong.
 * @returns the job, and the number of the entry in the log
 */
export async function readArchive(
  installation: Installation,
  file: string,
  who: string,
): Promise<{ job: string; name: string; seq: number }> {
  refuseWhereServed('Unpacking a job');
  return await opened(file, async (zip) => {
    const archive = await contentsOf(zip);
    checkLabel(installation.db, archive.label);
    await keepFiles(installation, archive);
    const seq = takeIn(installation, archive, who);
    return { job: archive.label.job.id, name: archive.label.job.name, seq };
  });
}

/** Reads in a ZIP; whatever is wrong with it is refused in words. */
export async function opened<Read>(file: string, read: (zip: ZipFile) => Promise<Read>): Promise<Read> {
  let zip: ZipFile;
  try {
    zip = await openPromise(file, { autoClose: false, strictFileNames: true, validateEntrySizes: true });
  } catch {
    throw refused('This is no ZIP archive, or it is torn; choose one that was packed under Settings.');
  }
  try {
    return await read(zip);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    const fault = storageRefusal(error);
    if (fault) throw fault;
    throw refused(`The archive cannot be read (${error instanceof Error ? error.message : String(error)}).`);
  } finally {
    zip.close();
  }
}

async function contentsOf(zip: ZipFile): Promise<Archive> {
  if (zip.entryCount > MOST.entries) throw refused(`It holds ${zip.entryCount} files; a job has fewer.`);
  const tables: TableRows = new Map();
  const files: Archive['files'] = [];
  let label: Label | undefined;
  let all = 0;
  for await (const entry of zip.eachEntry()) {
    const name = entry.fileName;
    if (!NAMES.test(name)) throw refused(`It holds “${name.slice(0, 80)}”, which is no part of a job.`);
    all += entry.uncompressedSize;
    const isTable = name.startsWith('tables/');
    if (entry.uncompressedSize > (isTable ? MOST.table : MOST.file) || all > MOST.all)
      throw refused(`“${name}” is larger than anything a job has.`);
    if (name === 'archive.json') label = JSON.parse((await bytesOf(zip, entry)).toString('utf8')) as Label;
    else if (isTable) tables.set(name.slice(7, -5), rowsIn(name, await bytesOf(zip, entry)));
    else {
      const [kind = '', hash = ''] = name.split('/');
      if (isFolder(kind)) files.push({ entry, kind, hash });
    }
  }
  if (!label) throw refused('It does not say what it is: archive.json is missing.');
  return { label, tables, zip, files };
}

/** A file of the archive, which may not become more than it says it is. */
export async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

export function rowsIn(name: string, content: Buffer): Row[] {
  const rows = JSON.parse(content.toString('utf8')) as unknown;
  const isPlain = (value: unknown): boolean =>
    value === null || typeof value === 'string' || (typeof value === 'number' && Number.isFinite(value));
  if (
    !Array.isArray(rows) ||
    !rows.every((row) => typeof row === 'object' && row !== null && Object.values(row as object).every(isPlain))
  )
    throw refused(`“${name}” is no list of rows.`);
  return rows as Row[];
}

const isNamed = (job: unknown): boolean =>
  typeof job === 'object' && job !== null && 'id' in job && typeof job.id === 'string' && 'name' in job;

export function needVersion(db: Connection, { form, migration }: Pick<Label, 'form' | 'migration'>): void {
  if (form > ARCHIVE_FORM || migration > newestMigration(db))
    throw refused('It was made by a newer version of this program; bring this one up to date first.');
}

function checkLabel(db: Connection, { kind, form, migration, job }: Label): void {
  if (kind !== ARCHIVE_KIND) throw refused('It is no copy of a job.');
  if (!isNamed(job)) throw refused('It does not say which job it is of.');
  needVersion(db, { form, migration });
  if (queryOne(db, 'SELECT 1 FROM job WHERE id = @id', { id: job.id }))
    throw unprocessable('exists-already', `${job.name} is in this house already.`, 'archive');
}

/**
 * Pictures, recordings and PDFs are kept as any that come in, looked at and named by what they hold; one that is not what its name
 * says is refused. What is kept of an archive that is refused later stands where no record names it, as after any upload.
 */
async function keepFiles(installation: Installation, { zip, files }: Archive): Promise<void> {
  for (const { entry, kind, hash } of files) {
    needRoom(installation, entry.uncompressedSize);
    if (kind !== 'pictures') {
      const keep = kind === 'pdfs' ? keepPdf : keepRecording;
      await keep(installation, await zip.openReadStreamPromise(entry), hash);
      continue;
    }
    const content = await bytesOf(zip, entry);
    if (createHash('sha256').update(content).digest('hex') !== hash) throw refused(`“${entry.fileName}” was altered.`);
    await keepPicture(installation, content);
  }
}

function takeIn(installation: Installation, { label, tables }: Archive, who: string): number {
  const { db, clock } = installation;
  const now = clock.now().toISOString();
  const { id: job, name } = label.job;
  return db
    .transaction((): number => {
      db.pragma('defer_foreign_keys = ON');
      const ours = jobTables(db);
      for (const table of tables.keys())
        if (!ours.includes(table) && !OF_FIRM.includes(table))
          throw refused(`It holds rows of “${table}”, which is not carried.`);
      for (const table of OF_FIRM) addKnown(db, table, tables.get(table) ?? []);
      for (const table of ours)
        addRows(
          db,
          table,
          (tables.get(table) ?? []).map((row) => here(installation, table, row, now)),
        );
      needWhole(db, job, tables, ours);
      rebuildStanding(db);
      markPlan(db, { job, walk: null, causes: [{ kind: 'job-back', name }] });
      return writeLog(db, {
        ...{ id: randomUUID(), type: 'job.taken-in', at: now, applied_at: now, who, job },
        payload: JSON.stringify({ job, name, made: label.made }),
        result: JSON.stringify({ tables: label.tables }),
      });
    })
    .immediate();
}

/** What belonged to the other house alone: its links open nothing here, its letters go out no more. */
function here(installation: Installation, table: string, row: Row, now: string): Row {
  if (table === 'share_link')
    return { ...row, token_hash: hashOf(tokenOf(installation, String(row.id))), revoked_at: row.revoked_at ?? now };
  if (table === 'message' && row.state === 'queued')
    return {
      ...row,
      state: 'failed',
      settled_at: now,
      next_try_at: null,
      failure: 'It had not gone out when the job was packed.',
    };
  return row;
}

/** Rows of the firm: whoever is known here stays as they are known here. */
export function addKnown(db: Connection, table: string, rows: readonly Row[]): void {
  if (table === 'recording' && !rows.every(({ type }) => isRecordingType(type)))
    throw refused('It holds a recording of a kind that is not played here.');
  // Nobody signs in here by an archive, and an address is one person’s.
  const own = table === 'person' ? rows.map((row) => ({ ...row, email: null, password_hash: null })) : rows;
  addRows(db, table, own, 'OR IGNORE ');
}

function addRows(db: Connection, table: string, rows: readonly Row[], or: '' | 'OR IGNORE ' = ''): void {
  const known = new Set(columnsOf(db, table));
  for (const row of rows) insertRow(db, { table, known, or }, row);
}

function insertRow(
  db: Connection,
  { table, known, or }: { table: string; known: ReadonlySet<string>; or: '' | 'OR IGNORE ' },
  row: Row,
): void {
  const columns = Object.keys(row);
  const strange = columns.find((column) => !known.has(column));
  if (strange !== undefined)
    throw refused(`Rows of “${table}” have a column “${strange.slice(0, 40)}” that is not ours.`);
  db.prepare(
    `INSERT ${or}INTO "${table}" (${columns.map((column) => `"${column}"`).join(', ')})
      VALUES (${columns.map(() => '?').join(', ')})`,
  ).run(Object.values(row));
}

/** Every row that came is of this job, and all that it said it would bring came. */
function needWhole(db: Connection, job: string, tables: TableRows, ours: readonly string[]): void {
  const kept = rowsOfJob(db, job);
  for (const table of ours) {
    const [came, is] = [tables.get(table)?.length ?? 0, kept.get(table)?.length ?? 0];
    if (came !== is) throw refused(`Of “${table}” ${came} rows came and ${is} are of this job.`);
  }
  const broken = db.pragma('foreign_key_check') as { table: string }[];
  if (broken[0]) throw refused(`Rows of “${broken[0].table}” name something that did not come along.`);
}
