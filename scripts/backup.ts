import { join, resolve } from 'node:path';
import { refuseWrongEnvironment } from '@/server/environment.mjs';
import { writeBackup } from '@/server/backup/write';

/**
 * `npm run backup -- FILE`: everything of the firm in AFTERMIST_DATA (var/firm) as one file, beside a running server. With
 * AFTERMIST_PASSPHRASE it is sealed.
 */
refuseWrongEnvironment();
const [file] = process.argv.slice(2);
if (!file) {
  console.error('Say where it goes: npm run backup -- /somewhere/else/firm.zip');
  process.exit(1);
}
const folder = process.env.AFTERMIST_DATA ?? join(process.cwd(), 'var', 'firm');
const passphrase = process.env.AFTERMIST_PASSPHRASE;
try {
  const { files, missing, firm } = await writeBackup({
    ...{ folder, file: resolve(file), now: new Date().toISOString() },
    ...(passphrase ? { passphrase } : {}),
  });
  const bytes = Object.values(files).reduce((sum, one) => sum + one.bytes, 0);
  console.log(
    `${firm || 'The house'}: ${Object.keys(files).length} files, ${Math.ceil(bytes / 1_000_000)} MB, in ${file}` +
      `${passphrase ? ', sealed' : ''}; it was opened and read through. Keep it on another machine.`,
  );
  if (missing.length > 0)
    console.warn(
      `${missing.length} pictures, recordings or PDFs that the firm names lay nowhere: ${missing.slice(0, 3).join(', ')} …`,
    );
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
