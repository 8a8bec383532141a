import type { WallsView } from '@/contract/views/walk';
import { wallName, type RoomShape } from '@/core/layout/shape';
import type { Drawing } from '@/core/layout/stroke';
import { phaseFacts } from '@/core/sequence/phases';
import { byWall, fixtureWords, wallRecord, type Numbered } from '@/core/walls/wall-record';
import { IN_WALL_KINDS, ofKind, type Of } from '@/core/walks/observation';
import { jobHead } from './job-head';
import { briefIn } from './scope-parts';
import { pictureViews } from './room';
import { closeInsOf } from '../reading/close-ins';
import { personNames } from '../reading/firm';
import { areaRow, jobRow } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import type { JobReading } from '../reading/reading';
import { newestIn } from '../reading/records';
import { inWallsOf } from '../reading/standing';
import { whenSeen } from '../words';

type InWallSeen = Numbered & Of<'in-wall'>;

/** How many pictures of a room are shown beside its walls: the newest. */
const PICTURES = 12;

/**
 * What is in the walls of an area, each wall with its drawing: before it is closed a checklist, afterwards where to
 * find it again.
 */
export function wallsView(job: JobReading, area: string): WallsView {
  const row = areaRow(job, area);
  const time = job.firm;
  const check = closeInsOf(job).get(area);
  const names = personNames(job.firm);
  const { units } = jobRow(job);
  const walls = wallsOf(job, area);
  return {
    job: jobHead(job),
    area: { id: area, name: row.name },
    brief: briefIn(job, area),
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
    pictures: pictureViews(job, ofKind(newestIn(job.firm.db, area, ['picture'], PICTURES), 'picture')),
  };
}

/** The walls of an area in which something was recorded, drawn. */
export function wallsOf(job: JobReading, area: string): { wall: number; drawing: Drawing; things: InWallSeen[] }[] {
  const { name } = areaRow(job, area);
  const { units } = jobRow(job);
  const { shape, openings } = layoutOf(job, area);
  const room: RoomShape | undefined = shape?.kind === 'room' ? shape : undefined;
  return [...byWall(inWallsOf(job).get(area) ?? [])].map(([wall, things]) => ({
    wall,
    drawing: wallRecord(name, room, openings, wall, things, units),
    things: things as InWallSeen[],
  }));
}
