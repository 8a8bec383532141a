import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { randomUUID } from 'node:crypto';
import type { Entry, ZipFile } from 'yauzl';
import { firmTables } from '../database/job-tables';
import { queryAll } from '../database/query';
import { writeLog } from '../door/log';
import { becomeFirm } from '../firm/commands';
import { isKept } from '../database/kept';
import { temporaryFile } from '../files/temporary';
import type { Installation } from '../installation';
import { refuseWhereServed } from '../serving';
import { addKnown, bytesOf, MOST, needVersion, opened, readArchive, refused, rowsIn } from './read';
import type { TableRows } from './tables';
import { FIRM_KIND, type FirmLabel } from './write-firm';

/** What came of the archive of a firm. */
export interface FirmTaken {
  firm: string;
  /** Jobs that were taken in now, and those that are here already. */
  taken: string[];
  known: string[];
  seq: number;
}

const NAMES = /^(firm\.json|readme\.txt|tables\/[a-z_]+\.json|csv\/[a-z_]+\.csv|jobs\/[0-9a-f-]{36}\.zip)$/;

interface FirmArchive {
  label: FirmLabel;
  tables: TableRows;
  jobs: Map<string, Entry>;
}

/**
 * Reads a whole firm into a house that has no other jobs: what is the firm's own at once, then job by job. Where one of them is
 * refused the others stay, and the same file can be read again: what is here already is stepped over.
 */
export async function readFirmArchive(installation: Installation, file: string, who: string): Promise<FirmTaken> {
  refuseWhereServed('Unpacking a firm');
  return await opened(file, async (zip) => {
    const archive = await contentsOf(installation, zip);
    const known = needNoOthers(installation, archive.label);
    const seq = takeFirm(installation, archive, who);
    const taken: string[] = [];
    for (const { id, name } of archive.label.jobs) {
      if (known.has(id)) continue;
      await takeJob(installation, zip, archive.jobs.get(id), name, who);
      taken.push(name);
    }
    return {
      ...{ firm: archive.label.firm, taken, seq },
      known: archive.label.jobs.flatMap(({ id, name }) => (known.has(id) ? [name] : [])),
    };
  });
}

async function contentsOf({ db }: Installation, zip: ZipFile): Promise<FirmArchive> {
  if (zip.entryCount > MOST.entries) throw refused(`It holds ${zip.entryCount} files; a firm has fewer.`);
  const tables: TableRows = new Map();
  const jobs = new Map<string, Entry>();
  let label: FirmLabel | undefined;
  for await (const entry of zip.eachEntry()) {
    const name = entry.fileName;
    if (!NAMES.test(name)) throw refused(`It holds “${name.slice(0, 80)}”, which is no part of a firm.`);
    if (name.startsWith('jobs/')) jobs.set(name.slice(5, -4), entry);
    else if (entry.uncompressedSize > MOST.table) throw refused(`“${name}” is larger than anything a firm has.`);
    else if (name.startsWith('tables/')) tables.set(name.slice(7, -5), rowsIn(name, await bytesOf(zip, entry)));
    else if (name === 'firm.json') label = JSON.parse((await bytesOf(zip, entry)).toString('utf8')) as FirmLabel;
  }
  if (label?.kind !== FIRM_KIND || !Array.isArray(label.jobs)) throw refused('It is no copy of a firm.');
  needVersion(db, label);
  const missing = label.jobs.find(({ id }) => !jobs.has(id));
  if (missing) throw refused(`${missing.name} is missing in it.`);
  return { label, tables, jobs };
}

/** Two firms in one house would mix. @returns the jobs of the archive that are here already */
function needNoOthers({ db }: Installation, { jobs, firm }: FirmLabel): Set<string> {
  const theirs = new Set(jobs.map(({ id }) => id));
  const here = queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM job');
  const other = here.find(({ id }) => !theirs.has(id));
  if (other) throw refused(`${other.name} is in this house and not of ${firm}: take it into a house of its own.`);
  return new Set(here.map(({ id }) => id));
}

function takeFirm(installation: Installation, { label, tables }: FirmArchive, who: string): number {
  const { db, clock } = installation;
  const now = clock.now().toISOString();
  const strange = [...tables.keys()].find((table) => !firmTables(db).includes(table));
  if (strange) throw refused(`It holds rows of “${strange}”, which is not carried.`);
  return db
    .transaction((): number => {
      db.pragma('defer_foreign_keys = ON');
      for (const [table, rows] of tables)
        if (table === 'firm') becomeFirm(db, rows[0] ?? {});
        // Files come with the jobs that name them.
        else if (!isKept(table)) addKnown(db, table, rows);
      return writeLog(db, {
        ...{ id: randomUUID(), type: 'firm.taken-in', at: now, applied_at: now, who, job: null },
        payload: JSON.stringify({ firm: label.firm, made: label.made }),
        result: JSON.stringify({ tables: Object.fromEntries([...tables].map(([name, rows]) => [name, rows.length])) }),
      });
    })
    .immediate();
}

async function takeJob(
  installation: Installation,
  zip: ZipFile,
  entry: Entry | undefined,
  name: string,
  who: string,
): Promise<void> {
  if (!entry) throw refused(`${name} is missing in it.`);
  const { file, drop } = temporaryFile();
  try {
    await pipeline(await zip.openReadStreamPromise(entry), createWriteStream(file));
    await readArchive(installation, file, who);
  } finally {
    drop();
  }
}
