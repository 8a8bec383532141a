import { execute, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import type { Given } from './first-visit-commands';
import { areaOf, must, newId, signalHouse } from './installations';

const id = newId();
const pdf = 'd'.repeat(64);
const paper = { id, job: signalHouse, area: areaOf('kitchen'), kind: 'drawing', name: 'Worktop', pdf } as const;
const handOver = ({ db }: Installation): void =>
  void execute(db, 'INSERT OR IGNORE INTO pdf (hash, bytes) VALUES (@pdf, 1200)', { pdf });
const left = ({ db }: Installation): unknown =>
  queryOne(db, 'SELECT kind, name, area, request FROM attachment WHERE id = @id', { id });

/** Every command about drawings and permits, with what it leaves. */
export const ATTACHMENTS: Record<string, Given> = {
  'attachment.add': {
    before: handOver,
    payload: paper,
    leaves: left,
    expected: { kind: 'drawing', name: 'Worktop', area: areaOf('kitchen'), request: null },
  },
  'attachment.change': {
    before: (installation) => {
      handOver(installation);
      must(installation, 'attachment.add', paper);
    },
    payload: { id, version: 1, kind: 'permit', name: 'Permit' },
    leaves: left,
    expected: { kind: 'permit', name: 'Permit' },
  },
};
