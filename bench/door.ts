import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { makeClock } from '@/server/clock';
import { insert } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { openInstallation } from '@/server/open-installation';
import { demoId } from '../demo/seed';
import { grownCopy, NOW } from './grown';
import { figure, inTurn, median, type Figure } from './measure';

const MANY = 200;

/** Where a record is made, and by whom. */
interface Place {
  job: string;
  area: string;
  walk: string;
  who: Extract<Actor, { kind: 'person' }>;
}

/** What the door's checks and log cost over one bare insert, both in a transaction that waits for the disk. */
export async function doorFigures(): Promise<Figure[]> {
  const small = smallHouse();
  const old = grownCopy('ten-years', '--years', '10');
  const tenYears = openInstallation({ folder: old.folder, clock: makeClock(new Date(NOW)) });
  const who = { kind: 'person', id: demoId('person', 'maren'), name: 'Bench', role: 'contractor' } as const;
  const [job, area, walk] = [demoId('signal'), demoId('signal', 'area', 'guest'), v7()];
  give(tenYears, 'walk.start', { id: walk, job, kind: 'progress' }, who);
  try {
    return [
      await doorFigure('command through the door', small.installation, small.place),
      await doorFigure('command through the door at ten years', tenYears, { job, area, walk, who }),
    ];
  } finally {
    tenYears.db.close();
    old.gone();
    small.gone();
  }
}

async function doorFigure(name: string, installation: Installation, place: Place): Promise<Figure> {
  const { job, area, walk, who } = place;
  const at = installation.clock.now().toISOString();
  const bare = installation.db.transaction(() =>
    insert(installation.db, 'observation', {
      id: v7(),
      job,
      walk,
      area,
      person: who.id,
      at,
      kind: 'note',
      text: 'bare',
    }),
  );
  const observation = { walk, area, kind: 'note', text: 'through the door' };
  const [door = [], insertion = []] = await inTurn(MANY, [
    () => give(installation, 'observation.record', { observation: { ...observation, id: v7() } }, who),
    () => bare.immediate(),
  ]);
  return figure(name, median(door), 'ms', 'bare insert in a transaction', median(insertion));
}

function give(installation: Installation, type: string, payload: object, who: Actor): void {
  const at = installation.clock.now().toISOString();
  const answer = dispatch(installation, who, { id: v7(), type, at, payload });
  if (answer.status === 'refused') throw new Error(answer.problem.title);
}

/** A firm with one job of one area, on a walk. */
function smallHouse(): { installation: Installation; place: Place; gone: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-bench-'));
  const installation = openInstallation({ folder });
  const [job, level, area, walk] = [v7(), v7(), v7(), v7()];
  const who = { kind: 'person', id: v7(), name: 'Bench', role: 'contractor' } as const;
  const founder = { ownerName: 'Bench', email: 'bench@bench.example', password: 'as long as it takes' };
  give(installation, 'firm.found', { name: 'Bench', personId: who.id, ...founder }, { kind: 'founder' });
  give(installation, 'job.open', { id: job, name: 'Bench', units: 'metric', startDay: '2027-03-08' }, who);
  const areas = [{ id: area, level, name: 'Kitchen', kind: 'room', works: ['kitchen'] }];
  give(installation, 'areas.add', { job, levels: [{ id: level, name: 'Ground', height: 0 }], areas }, who);
  give(installation, 'walk.start', { id: walk, job, kind: 'progress' }, who);
  const gone = (): void => {
    installation.db.close();
    rmSync(folder, { recursive: true, force: true });
  };
  return { installation, place: { job, area, walk, who }, gone };
}
