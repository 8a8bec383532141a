import type { Input } from '@/contract/commands';
import type { Phase } from '@/core/sequence/phases';
import type { Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import type { House } from '@/server/house';
import { renewOnce } from '@/server/schedule/renew';
import { emptyHouse, must, newId, TODAY } from './houses';
import type { Actor } from '@/server/door/who';

export interface Built {
  house: House;
  owner: Actor;
  job: string;
  level: string;
  walk: string;
  /** Ids by name. */
  areas: Record<string, string>;
  /** Sees a phase so far on the walk that is open. */
  see: (area: string, phase: string, fraction: number) => void;
  hold: (area: string, phase: Phase, kind: Input<'hold.add'>['kind'], expectedOn: string) => string;
  renew: () => void;
}

/** A small house of one's own, set out as asked, with a walk under way. */
export function build(
  areas: Record<string, { works: Work[]; kind?: AreaKind; livedIn?: boolean; provides?: string[]; passage?: boolean }>,
  over: object = {},
): Built {
  const house = emptyHouse();
  const [person, job, level, walk] = [newId(), newId(), newId(), newId()];
  const owner: Actor = { kind: 'person', id: person, name: 'Ida', role: 'contractor' };
  must(
    house,
    'firm.found',
    { name: 'Own', personId: person, ownerName: 'Ida', email: 'ida@own.example', password: 'long enough for it' },
    { kind: 'founder' },
  );
  must(house, 'job.open', { id: job, name: 'One House', units: 'metric', startDay: TODAY, ...over }, owner);
  const ids = Object.fromEntries(Object.keys(areas).map((name) => [name, newId()]));
  must(
    house,
    'areas.set-out',
    {
      job,
      levels: [{ id: level, name: 'Ground', height: 0 }],
      areas: Object.entries(areas).map(([name, { kind = 'room', ...rest }]) => ({
        id: ids[name],
        name,
        kind,
        ...(kind === 'room' || kind === 'wet' ? { level } : {}),
        ...rest,
      })),
    },
    owner,
  );
  must(house, 'walk.start', { id: walk, job, kind: 'progress' }, owner);
  return {
    house,
    owner,
    job,
    level,
    walk,
    areas: ids,
    see: (area, phase, fraction) =>
      void must(
        house,
        'observation.record',
        { observation: { id: newId(), walk, area: ids[area], kind: 'progress', phase, fraction } },
        owner,
      ),
    hold: (area, phase, kind, expectedOn) => {
      const id = newId();
      must(
        house,
        'hold.add',
        { id, job, area: ids[area]!, phase, kind, label: kind, text: `waits for ${kind}`, expectedOn },
        owner,
      );
      return id;
    },
    renew: () => {
      house.db.prepare(`INSERT INTO plan_mark (job, cause) VALUES (?, 'asked by a test')`).run(job);
      renewOnce(house.db, TODAY, house.clock.now().toISOString());
    },
  };
}
