import { nothingSaid } from '@/core/walks/overlay-visit';
import Dexie, { type EntityTable } from 'dexie';
import type { Command, ProblemDocument } from '@/contract/command';
import type { JobPack, PackMarks, WalkPack } from '@/contract/views/walk';

/** One change that waits on this device until the door has answered it. */
export interface Waiting {
  order: number;
  id: string;
  command: Command;
  /** A picture or a recording that goes ahead of the command that names it. */
  attached?: { what: 'picture' | 'recording'; content: Blob };
  /** Who recorded it: it goes out under them alone. Absent in what an older version kept. */
  whose?: { id: string; name: string };
  /** How often the server failed over it. */
  failed?: number;
  /** The door said no: kept and shown, so that nothing is lost. */
  refused?: ProblemDocument;
}

/** What this device keeps so that a walk opens without a signal. */
export interface Kept {
  /** `walk:…` or `job:…` with its id. */
  key: string;
  walk?: WalkPack;
  job?: JobPack;
  /** Of a job: the marks of what is kept of it, by which the server sends only what is new. */
  marks?: PackMarks;
}

/**
 * The device's own store. Writes are answered once they are on the disk, so that what was called kept survives an
 * empty battery.
 */
export const store = new Dexie('aftermist', { chromeTransactionDurability: 'strict' }) as Dexie & {
  waiting: EntityTable<Waiting, 'order'>;
  packs: EntityTable<Kept, 'key'>;
};
store.version(1).stores({ waiting: '++order, &id' });
store
  .version(2)
  .stores({ waiting: '++order, &id', packs: 'key' })
  .upgrade((tables) =>
    tables
      .table('waiting')
      .toCollection()
      .modify((row: Waiting & { picture?: Blob }) => {
        if (row.picture) row.attached = { what: 'picture', content: row.picture };
        delete row.picture;
      }),
  );
store
  .version(3)
  .stores({ waiting: '++order, &id', packs: 'key' })
  .upgrade((tables) =>
    tables
      .table('packs')
      .toCollection()
      .modify((row: Kept) => {
        for (const pack of [row.walk, row.job]) if (pack) Object.assign(pack, withVisit(pack));
      }),
  );

/** A pack that an older version kept, with what a first visit needs besides; the next one that is fetched has all of it. */
function withVisit(pack: JobPack): Partial<JobPack> {
  const { levels, whole, assemblies } = pack as Partial<JobPack>;
  const none = nothingSaid();
  return {
    levels: levels ?? [],
    assemblies: assemblies ?? [],
    whole: whole ?? none,
    areas: pack.areas.map((area) => ({ ...{ kind: 'room' as const, forOffice: [], gaps: {} }, ...area })),
  };
}
