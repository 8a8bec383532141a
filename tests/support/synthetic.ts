import type { HouseholdNeed } from '@/core/sites/household-needs';
import { isPassedByName } from '@/core/sequence/inspections';
import type { Input } from '@/contract/commands';
import type { Phase } from '@/core/sequence/phases';
import type { Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { emptyHouse, must, newId, TODAY } from './installations';
import type { Actor } from '@/server/door/actor';

export interface Built {
  installation: Installation;
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
  areas: Record<
    string,
    { works: Work[]; kind?: AreaKind; livedIn?: boolean; provides?: HouseholdNeed[]; passage?: boolean }
  >,
  over: object = {},
): Built {
  const installation = emptyHouse();
  const [person, job, level, walk] = [newId(), newId(), newId(), newId()];
  const owner: Actor = { kind: 'person', id: person, name: 'Ida', role: 'contractor' };
  must(
    installation,
    'firm.found',
    { name: 'Own', personId: person, ownerName: 'Ida', email: 'ida@own.example', password: 'long enough for it' },
    { kind: 'founder' },
  );
  must(installation, 'job.open', { id: job, name: 'One House', units: 'metric', startDay: TODAY, ...over }, owner);
  const ids = Object.fromEntries(Object.keys(areas).map((name) => [name, newId()]));
  must(
    installation,
    'areas.add',
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
  must(installation, 'walk.start', { id: walk, job, kind: 'progress' }, owner);
  return {
    installation,
    owner,
    job,
    level,
    walk,
    areas: ids,
    see: (area, phase, fraction) =>
      void must(
        installation,
        'observation.record',
        {
          observation: {
            id: newId(),
            walk,
            area: ids[area],
            kind: 'progress',
            phase,
            fraction,
            ...(fraction === 1 && isPassedByName(phase as Phase) ? { by: 'Inspector Lund' } : {}),
          },
        },
        owner,
      ),
    hold: (area, phase, kind, expectedOn) => {
      const id = newId();
      must(
        installation,
        'hold.add',
        { id, job, area: ids[area]!, phase, kind, label: kind, text: `waits for ${kind}`, expectedOn },
        owner,
      );
      return id;
    },
    renew: () => {
      installation.db.prepare(`INSERT INTO plan_mark (job, cause) VALUES (?, 'asked by a test')`).run(job);
      renewOnce(installation);
    },
  };
}
