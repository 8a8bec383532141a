import type { ClientHouse, ClientRoom } from '@/contract/views/news';
import type { SiteArea } from '@/core/sequence/site';
import { areaRows, levelRows } from '../reading/job';
import type { JobReading } from '../reading/reading';
import { siteOf } from '../reading/site';

/** The house as its client sees it: how far each room is, storey by storey. */
export function houseOf(job: JobReading): ClientHouse {
  const rows = areaRows(job);
  const sites = new Map(siteOf(job).areas.map((area) => [area.id as string, area]));
  const roomsOn = (level: string | null): ClientRoom[] =>
    rows
      .filter((area) => area.level === level)
      .map(({ id, name }) => ({ name, share: shareOf(sites.get(id)?.track ?? []) }));
  return {
    storeys: levelRows(job).flatMap(({ id, name }) => {
      const rooms = roomsOn(id);
      return rooms.length > 0 ? [{ name, rooms }] : [];
    }),
    outside: roomsOn(null),
  };
}

/** Done work against all work, in half-days; what only waits or is looked at counts with the half-days it takes. */
export function shareOf(track: SiteArea['track']): number | null {
  const all = track.reduce((sum, { halfDays }) => sum + halfDays, 0);
  return all === 0 ? null : track.reduce((sum, { halfDays, fraction }) => sum + halfDays * fraction, 0) / all;
}
