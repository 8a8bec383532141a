/** `npm run rows`: writes the types of all rows anew, after a migration was added. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { openDatabase } from '../src/server/database/open';
import { rowTypes } from './row-types';

const target = join(import.meta.dirname, '..', 'src', 'server', 'database', 'rows.ts');
const folder = mkdtempSync(join(tmpdir(), 'aftermist-rows-'));
const db = openDatabase(join(folder, 'schema.sqlite'), join(import.meta.dirname, '..', 'migrations'));
writeFileSync(target, await format(rowTypes(db), { ...(await resolveConfig(target)), filepath: target }));
db.close();
rmSync(folder, { recursive: true });
