import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { restoreBackup } from '@/server/backup/read';

/** `npm run restore -- FILE`: a firm from its backup, into AFTERMIST_DATA (var/firm), which is not there yet or is empty. */
const [file] = process.argv.slice(2);
if (!file) {
  console.error('Say from which file: npm run restore -- /somewhere/else/firm.zip');
  process.exit(1);
}
const root = join(import.meta.dirname, '..');
const folder = process.env.AFTERMIST_DATA ?? join(root, 'var', 'firm');
const newest = Math.max(...readdirSync(join(root, 'migrations')).map((name) => Number.parseInt(name, 10) || 0));
const passphrase = process.env.AFTERMIST_PASSPHRASE;
try {
  const { firm, made, files, missing } = await restoreBackup({
    ...{ file: resolve(file), folder: resolve(folder), newest },
    ...(passphrase ? { passphrase } : {}),
  });
  console.log(
    `${firm || 'The house'} as of ${made} is in ${folder}: ${Object.keys(files).length} files, each as it was.`,
  );
  if (missing.length > 0)
    console.warn(`${missing.length} pictures, recordings or PDFs were missing already when it was made.`);
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
