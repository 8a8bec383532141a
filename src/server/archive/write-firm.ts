import { createReadStream, createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { firmTables } from '../database/job-tables';
import { queryAll, queryOne } from '../database/query';
import { temporaryFile } from '../files/temporary';
import type { Installation } from '../installation';
import { refuseWhereServed } from '../serving';
import { allRows, newestMigration, type TableRows } from './tables';
import { addTables, ARCHIVE_FORM, writeArchive } from './write';

export const FIRM_KIND = 'aftermist firm';

/** What the archive of a firm says of itself. */
export interface FirmLabel {
  kind: string;
  form: number;
  migration: number;
  firm: string;
  made: string;
  /** Its jobs, each in an archive of its own: `jobs/ID.zip`. */
  jobs: { id: string; name: string }[];
}

const README = `What is in here

firm.json       what this is, of which firm, of which day, and its jobs
tables/*.json   what belongs to the firm itself: people (without passwords), subs, suppliers, prices, days off …
csv/*.csv       the same for spreadsheets
jobs/*.zip      each job by itself, with its records, pictures, recordings, PDFs and papers; each of them can be read alone

Aftermist reads it back: found a firm in an empty house, then Firm, “In one file”, take in. Nothing of it needs Aftermist
to be read: JSON, CSV, JPEG, PDF.
`;

/** Writes the whole firm into one file of open forms: what is its own, and every job as an archive that stands alone. */
export async function writeFirmArchive(installation: Installation, file: string): Promise<{ name: string }> {
  refuseWhereServed('Packing a firm');
  const { db } = installation;
  const [name, jobs, tables] = db.transaction((): [string, FirmLabel['jobs'], TableRows] => [
    queryOne<{ name: string }>(db, 'SELECT name FROM firm')?.name ?? '',
    queryAll(db, 'SELECT id, name FROM job ORDER BY rowid'),
    new Map(firmTables(db).map((table) => [table, allRows(db, table)])),
  ])();
  const label: FirmLabel = {
    ...{ kind: FIRM_KIND, form: ARCHIVE_FORM, migration: newestMigration(db), firm: name, jobs },
    made: installation.clock.now().toISOString(),
  };
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream, createWriteStream(file));
  zip.addBuffer(Buffer.from(JSON.stringify(label, null, 2)), 'firm.json');
  zip.addBuffer(Buffer.from(README), 'readme.txt');
  addTables(zip, tables);
  for (const { id } of jobs)
    zip.addReadStreamLazy(`jobs/${id}.zip`, { compress: false }, (give) => {
      // One after the other, as its turn comes: all of them at once would take the disk twice.
      const { file: one, drop } = temporaryFile();
      writeArchive(installation, id, one).then(
        () => give(null, createReadStream(one).once('close', drop)),
        (error: unknown) => {
          drop();
          give(error, undefined as never);
        },
      );
    });
  zip.end();
  await written;
  return { name };
}
