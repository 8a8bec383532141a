import { mkdtempSync, readFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { foundingCode } from '@/server/folder-check.mjs';
import { api } from '@/contract/routes';
import { inspect, press, seesText, upload } from '../support/browser';
import { fillAll } from '../support/forms';
import { signalHouse } from '../support/installations';
import { stage } from '../support/stage';
import { fromBufferPromise } from 'yauzl';

const here = stage();
const there = stage({ empty: true });

/** Links of another house open nothing here; nobody's address to sign in with goes along; visits that nobody was told are planned anew. */
const LEFT_OUT = ['token_hash', 'revoked_at', 'email', 'day', 'half', 'version'];
const lasting = (table: string, row: Record<string, unknown>): boolean =>
  table !== 'visit_day' || row.told_day !== null;

/** The rows that an archive holds, by table. */
async function rowsIn(archive: Buffer): Promise<Record<string, unknown[]>> {
  const zip = await fromBufferPromise(archive, { lazyEntries: true });
  const tables: Record<string, unknown[]> = {};
  for await (const entry of zip.eachEntry()) {
    const [, table] = /^tables\/(.+)\.json$/.exec(entry.fileName) ?? [];
    if (!table) continue;
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    const rows = JSON.parse(Buffer.concat(parts).toString()) as Record<string, unknown>[];
    tables[table] = rows
      .filter((row) => lasting(table, row))
      .map((row) => JSON.stringify(Object.entries(row).filter(([name]) => !LEFT_OUT.includes(name))))
      .sort();
  }
  return tables;
}

describe('a job in one file', () => {
  it('goes out of one house, comes into an empty one that was just founded, and is equal there', async () => {
    const packed = Buffer.from(await (await fetch(`${here.server.url}${api.archive(signalHouse)}`)).arrayBuffer());
    const file = join(mkdtempSync(join(tmpdir(), 'aftermist-')), 'signal-house.zip');
    await writeFile(file, packed);

    const code = foundingCode(readFileSync(join(there.folder, 'secret'), 'utf8'));
    const page = await there.at(`/welcome?code=${code}`);
    await fillAll(page, {
      name: 'Other Renovation',
      ownerName: 'Ida',
      email: 'ida@other.example',
      password: 'long enough for it',
    });
    await press(page, 'Begin');
    await page.waitForFunction(() => !location.pathname.startsWith('/welcome'));
    await page.goto(`${there.server.url}/firm/settings`);
    await press(page, 'In one file the whole firm or one job, packed or taken in');
    await writeFile(`${file}.torn`, packed.subarray(0, packed.length / 2));
    await upload(page, '#archive', `${file}.torn`);
    await page.waitForSelector('.notice.bad');
    await upload(page, '#archive', file);
    await seesText(page, 'Signal House is here, whole.');
    await inspect(page, 'the firm’s page with a job that was taken in');
    await press(page, 'Signal House');
    await seesText(page, 'Guest suite');

    const cookie = (await page.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    const again = await fetch(`${there.server.url}${api.archive(signalHouse)}`, { headers: { cookie } });
    const [was, is] = [await rowsIn(packed), await rowsIn(Buffer.from(await again.arrayBuffer()))];
    expect(Object.keys(was).length).toBeGreaterThan(40);
    expect(Object.keys(is).filter((table) => JSON.stringify(is[table]) !== JSON.stringify(was[table]))).toEqual([]);
    expect([...here.complaints, ...there.complaints.filter((words) => !words.includes('status of 4'))]).toEqual([]);
  });
});
