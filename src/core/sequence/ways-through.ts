import type { Site, SiteArea } from './site';

/** How far a storey is from the one with the entrance, and on which side of it. */
const height = (area: SiteArea): number => area.level?.height ?? 0;

/**
 * Whether everybody who works in an area goes through this passage: on its own level, and on every level between it and
 * the entrance. What is outside is not reached through the house.
 */
export function isReachedThrough(area: SiteArea, passage: SiteArea): boolean {
  if (!area.level || !passage.level) return false;
  const [there, here] = [height(area), height(passage)];
  return here >= 0 ? there >= here || (here === 0 && there < 0) : there <= here;
}

const takesWallOut = (area: SiteArea): boolean => area.track.some((step) => step.phase === 'wall-out');
const isRoom = (area: SiteArea): boolean => area.level !== undefined && area.track.length > 0;

/**
 * The areas that become one with an area whose wall is taken out: those that were said; where nobody has said it, the
 * neighbours whose wall comes out as well, else all neighbours, and where no neighbours are known, all rooms of the level.
 */
function opensTo(site: Site, area: SiteArea): readonly string[] {
  if (area.opensTo) return area.opensTo;
  if (!takesWallOut(area)) return [];
  const level = site.areas.filter((other) => other !== area && isRoom(other) && other.level?.id === area.level?.id);
  const beside = level.filter((other) => area.beside.includes(other.id));
  const near = beside.length > 0 ? beside : level;
  const both = near.filter(takesWallOut);
  return (both.length > 0 ? both : near).map(({ id }) => id);
}

/** Whether two areas are, or become, one room because the wall between them comes out. */
export const areJoined = (site: Site, area: SiteArea, other: SiteArea): boolean =>
  opensTo(site, area).includes(other.id) || opensTo(site, other).includes(area.id);

/** Areas whose wall comes out and of which nobody has said to where. */
export const wallsUnsaid = (site: Site): SiteArea[] =>
  site.areas.filter((area) => takesWallOut(area) && !area.opensTo && opensTo(site, area).length !== 1);
