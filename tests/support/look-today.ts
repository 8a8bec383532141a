import Database from 'better-sqlite3';
import { join } from 'node:path';
import { demoId } from '../../demo/seed';
import { TODAY } from './now';

/** The visit of the study in the demo is on the day of the tests: before its day nobody can have looked. */
export function lookToday(folder: string): void {
  const db = new Database(join(folder, 'aftermist.sqlite'));
  db.prepare('UPDATE inspection SET day = ? WHERE id = ?').run(
    TODAY,
    demoId('signal', 'inspection', 'study', 'rough-inspection'),
  );
  db.close();
}
