import { writeCsv } from '@/core/csv';
import { recordsOfWalk } from '../reading/records';
import type { Installation } from '../installation';
import { areaNames } from '../reading/job';
import { readJob } from '../reading/reading';
import { narrationsOf, walkRow } from '../reading/walk';

const COLUMNS = ['narration', 'second', 'area', 'taken as', 'read as', 'what became of it', 'words'] as const;

/** A draft's name says its kind, its second and its words: `scope@12.0 strip the floor`. */
function named(key: string): { kind: string; second: number; words: string } {
  const [, kind = '', second = '0', words = ''] = /^([a-z-]+)@([\d.]+)(?:#\d+)? ?(.*)$/.exec(key) ?? [];
  return { kind, second: Number(second), words };
}

/**
 * What was read in what a walk said, line by line: accepted, mended or dropped. A firm may teach a reader with it.
 * @returns CSV with a head
 */
export function walkLabels(installation: Installation, id: string): string {
  const walk = walkRow(installation.db, id);
  const areas = areaNames(readJob(installation, walk.job));
  const kept = recordsOfWalk(installation.db, id).flatMap(({ kind, area, said }) =>
    said ? [{ kind, area, said }] : [],
  );
  const rows = narrationsOf(installation.db, id).flatMap(({ id: narration, name, dropped }) => {
    const accepted = kept
      .filter(({ said }) => said.narration === narration)
      .map(({ kind, area, said }) => {
        const { kind: read } = named(said.draft);
        // Before anything is begun, what is still to do is work: that is no mending.
        const same = kind === read || (walk.kind === 'scope' && read === 'remaining' && kind === 'scope');
        return [name, said.start, areas.get(area) ?? '', kind, read, same ? 'accepted' : 'mended', said.words] as const;
      });
    const refused = dropped.map((key) => {
      const { kind, second, words } = named(key);
      return [name, second, '', '', kind, 'dropped', words] as const;
    });
    return [...accepted, ...refused].sort((a, b) => a[1] - b[1]);
  });
  return writeCsv(COLUMNS, rows);
}
