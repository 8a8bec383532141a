import type { WallsView } from '@/contract/views/walk';
import { wallName, type RoomShape } from '@/core/layout/shape';
import type { Drawing } from '@/core/layout/drawing';
import { phaseFacts } from '@/core/sequence/phases';
import { byWall, fixtureWords, wallRecord, type Numbered } from '@/core/walls/wall-record';
import { IN_WALL_KINDS, ofKind, notWithdrawn, type Of } from '@/core/walks/observation';
import { firmTime } from '../zone';
import { queryOne } from '../database/query';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { readLayout } from '../layout/read-layout';
import { jobHead, requireJob } from '../sites/queries';
import { picturesOf } from '../sites/room';
import { whenSeen } from '../words';
import { closeInsOf } from './close-in';
import { personNames } from './pack';
import { observationsOf } from './queries';

type InWallSeen = Numbered & Of<'in-wall'>;

/**
 * What is in the walls of an area, each wall with its drawing: before it is closed a checklist, afterwards where to
 * find it again.
 */
export function wallsView(installation: Installation, job: string, area: string): WallsView {
  const row = queryOne<{ name: string }>(installation.db, 'SELECT name FROM area WHERE id = @area AND job = @job', {
    area,
    job,
  });
  if (!row) throw notFound('area in this job');
  const time = firmTime(installation);
  const seen = notWithdrawn(observationsOf(installation.db, job));
  const check = closeInsOf(installation.db, job, seen).get(area);
  const names = personNames(installation.db);
  const { units } = requireJob(installation.db, job);
  const walls = wallsOf(
    installation,
    area,
    seen.filter((observation) => observation.area === area),
  );
  return {
    job: jobHead(installation, job),
    area: { id: area, name: row.name },
    check: check
      ? {
          lines: check.lines.map(({ key, text, because, state, said }) => ({
            key,
            text,
            because,
            state,
            said: said ?? '',
          })),
          open: check.open.length,
          closed: check.closed && check.at ? whenSeen(check.at, time) : null,
          covers: check.covers ? phaseFacts(check.covers).label : null,
          covered: check.covered,
          signed: check.signed
            ? {
                id: check.signed.id,
                name: check.signed.name,
                reason: check.signed.reason,
                when: whenSeen(check.signed.at, time),
              }
            : null,
        }
      : null,
    walls: walls.map(({ wall, drawing, things }) => ({
      wall,
      name: wallName(wall),
      drawing,
      things: things.map((thing) => ({
        id: thing.id,
        number: thing.number,
        what: IN_WALL_KINDS[thing.what],
        place: fixtureWords(thing, units),
        picture: thing.picture ?? null,
        by: names.get(thing.person) ?? '',
        when: whenSeen(thing.at, time),
      })),
    })),
    pictures: picturesOf(
      installation.db,
      seen.filter((observation) => observation.area === area),
      time,
    ),
  };
}

/** The walls of an area in which something was recorded, drawn. */
export function wallsOf(
  installation: Installation,
  area: string,
  seen = areaSeen(installation, area),
): { wall: number; drawing: Drawing; things: InWallSeen[] }[] {
  const row = queryOne<{ job: string; name: string }>(installation.db, 'SELECT job, name FROM area WHERE id = @area', {
    area,
  });
  if (!row) throw notFound('area');
  const { units } = requireJob(installation.db, row.job);
  const { shape, openings } = readLayout(installation.db, area);
  const room: RoomShape | undefined = shape?.kind === 'room' ? shape : undefined;
  return [...byWall(ofKind(seen, 'in-wall'))].map(([wall, things]) => ({
    wall,
    drawing: wallRecord(row.name, room, openings, wall, things, units),
    things: things as InWallSeen[],
  }));
}

function areaSeen(installation: Installation, area: string): ReturnType<typeof notWithdrawn> {
  const job = queryOne<{ job: string }>(installation.db, 'SELECT job FROM area WHERE id = @area', { area })?.job ?? '';
  return notWithdrawn(observationsOf(installation.db, job)).filter((observation) => observation.area === area);
}
