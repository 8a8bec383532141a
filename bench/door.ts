import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { insert } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import { openInstallation } from '@/server/open-installation';
import { figure, inTurn, median, type Figure } from './measure';

const MANY = 200;

/** What the door's checks and log cost over one bare insert, both in a transaction that waits for the disk. */
export async function doorFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-bench-'));
  const installation = openInstallation({ folder });
  const at = installation.clock.now().toISOString();
  const owner = v7();
  const give = (type: string, payload: object, who: Actor): void => {
    const answer = dispatch(installation, who, { id: v7(), type, at, payload });
    if (answer.status === 'refused') throw new Error(answer.problem.title);
  };
  const maren: Actor = { kind: 'person', id: owner, name: 'Bench', role: 'contractor' };
  const [job, level, area, walk] = [v7(), v7(), v7(), v7()];
  give(
    'firm.found',
    {
      name: 'Bench',
      personId: owner,
      ownerName: 'Bench',
      email: 'bench@bench.example',
      password: 'as long as it takes',
    },
    { kind: 'founder' },
  );
  give('job.open', { id: job, name: 'Bench', units: 'metric', startDay: '2027-03-08' }, maren);
  give(
    'areas.add',
    {
      job,
      levels: [{ id: level, name: 'Ground', height: 0 }],
      areas: [{ id: area, level, name: 'Kitchen', kind: 'room', works: ['kitchen'] }],
    },
    maren,
  );
  give('walk.start', { id: walk, job, kind: 'progress' }, maren);
  const bare = installation.db.transaction(() =>
    insert(installation.db, 'observation', {
      id: v7(),
      job,
      walk,
      area,
      person: owner,
      at,
      kind: 'note',
      text: 'bare',
    }),
  );
  const [door = [], insertion = []] = await inTurn(MANY, [
    () =>
      give(
        'observation.record',
        { observation: { id: v7(), walk, area, kind: 'note', text: 'through the door' } },
        maren,
      ),
    () => bare.immediate(),
  ]);
  installation.db.close();
  rmSync(folder, { recursive: true, force: true });
  return [figure('command through the door', median(door), 'ms', 'bare insert in a transaction', median(insertion))];
}
