import { createWriteStream, existsSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';
import { KEPT, KEPT_KINDS, keptFile } from '../database/kept';
import { servePicture } from '../files/pictures';
import type { Installation } from '../installation';
import { jobPaper } from '../papers/documents';
import { sentStatement } from '../public/shared';
import { areaNames, jobRow } from '../reading/job';
import { newestPictures } from '../reading/pictures';
import { readJob, type JobReading } from '../reading/reading';
import { refuseWhereServed } from '../serving';
import { liveChanges } from '../views/changes';
import { newestMigration, rowsOfFirm, rowsOfJob, type Row, type TableRows } from './tables';

/** The form of an archive; a later one is refused by an earlier house. */
export const ARCHIVE_FORM = 1;
export const ARCHIVE_KIND = 'aftermist job';

/** What an archive says of itself. */
export interface Label {
  kind: string;
  form: number;
  /** The newest migration of the file it was made from. */
  migration: number;
  job: { id: string; name: string };
  made: string;
  /** Rows by table. */
  tables: Record<string, number>;
}

/** Papers that go along; one that the job has nothing for is left out. */
const PAPERS = [
  'statement.pdf',
  'client.pdf',
  'crew.pdf',
  'look-ahead.pdf',
  'materials.pdf',
  'scope.csv',
  'selections.csv',
];

/**
 * Writes everything of a job into one file: its rows as JSON and as CSV, its pictures, recordings and PDFs as they were kept, its
 * papers. Another installation reads it back whole.
 */
export async function writeArchive(installation: Installation, job: string, file: string): Promise<{ name: string }> {
  refuseWhereServed('Packing a job');
  const { db } = installation;
  const { name } = jobRow(readJob(installation, job));
  const { mine, firms } = db.transaction(() => {
    const rows = rowsOfJob(db, job);
    return { mine: rows, firms: rowsOfFirm(db, rows) };
  })();
  const tables = new Map([...firms, ...mine]);
  const zip = new ZipFile();
  const label: Label = {
    ...{ kind: ARCHIVE_KIND, form: ARCHIVE_FORM, migration: newestMigration(db), job: { id: job, name } },
    made: installation.clock.now().toISOString(),
    tables: Object.fromEntries([...tables].map(([table, rows]) => [table, rows.length])),
  };
  zip.addBuffer(Buffer.from(JSON.stringify(label, null, 2)), 'archive.json');
  addTables(zip, tables);
  for (const kind of KEPT_KINDS)
    for (const { hash } of firms.get(kind) ?? []) {
      const kept = keptFile(installation, kind, String(hash));
      if (existsSync(kept)) zip.addFile(kept, `${KEPT[kind]}/${String(hash)}`, { compress: false });
    }
  for (const paper of PAPERS) {
    const made = await jobPaper(installation, job, paper).catch(() => undefined);
    if (made) zip.addBuffer(Buffer.from(made.body), `papers/${paper}`);
  }
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(file));
  return { name };
}

/** Rows in two open forms, table by table. */
export function addTables(zip: ZipFile, tables: TableRows): void {
  for (const [table, rows] of tables) {
    zip.addBuffer(Buffer.from(JSON.stringify(rows)), `tables/${table}.json`);
    if (rows.length > 0) zip.addBuffer(Buffer.from(csvOf(rows)), `csv/${table}.csv`);
  }
}

/** What a client keeps at the end: what was agreed, changed and written, and the pictures of their house. */
export async function writeClientCopy(
  installation: Installation,
  job: string,
  file: string,
): Promise<{ name: string }> {
  refuseWhereServed('Packing a client’s copy');
  const reading = readJob(installation, job);
  const zip = new ZipFile();
  const papers = [
    ['client.pdf', undefined, 'where-it-stands.pdf'] as const,
    ...(sentStatement(reading)
      ? [['statement.pdf', sentStatement(reading)?.number, 'what-we-agreed.pdf'] as const]
      : []),
    ...liveChanges(reading).flatMap(({ number, state }) =>
      state === 'approved' ? [['change.pdf', number, `change-${number}.pdf`] as const] : [],
    ),
  ];
  for (const [paper, version, as] of papers) {
    const made = await jobPaper(installation, job, paper, version === undefined ? {} : { version });
    zip.addBuffer(Buffer.from(made.body), as);
  }
  for (const [at, { hash, name }] of picturesOf(reading).entries()) {
    const content = await servePicture(installation, hash, PICTURE_WIDTH);
    if (content) zip.addBuffer(content, `pictures/${String(at + 1).padStart(3, '0')} ${name}.jpg`, { compress: false });
  }
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(file));
  return { name: jobRow(reading).name };
}
/** Pixels across; without what a camera writes of the place into its files. */
const PICTURE_WIDTH = 1280;
const MOST_PICTURES = 400;

/** The pictures of a job from the first on, each named by its room and day as files may be. */
const picturesOf = (job: JobReading): { hash: string; name: string }[] =>
  newestPictures(job, MOST_PICTURES)
    .reverse()
    .map(({ picture: hash, area, at }) => ({
      hash,
      name: `${(areaNames(job).get(area) ?? '').replace(/[^\p{L}\d -]/gu, '')} ${at.slice(0, 10)}`.trim(),
    }));

/** A cell that a spreadsheet would reckon with is kept a text. */
const csvOf = (rows: readonly Row[]): string => Papa.unparse([...rows], { escapeFormulae: true });
