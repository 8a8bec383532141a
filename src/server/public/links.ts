import type { Audience } from '@/contract/commands/news';
import type { Day } from '@/core/units/day';
import { queryOne } from '../database/query';
import type { Installation } from '../installation';
import { countOpened } from '../news/links';
import { readFirm, readJob } from '../reading/reading';
import { noteIfPossible } from '../storage-fault';
import { linkState } from '../reading/updates';
import { hashOf } from '../tokens';
import { today } from '../zone';
import { areasOfParty } from './party';
import { areasOfCrew } from './shared';

export interface OpenLink {
  id: string;
  job: string | null;
  sub: string | null;
  /** The one question, or the one visit, that it is of. */
  request: string | null;
  inspection: string | null;
  audience: Audience;
  recipient: string;
  expires_on: Day;
  revoked_at: string | null;
}

/**
 * The link of a secret, if it opens today: guessed, revoked and expired ones, and those of a job that was taken away, are
 * all alike to whoever holds them. Of a job that is closed only its client reads on: nobody else has work there.
 */
export function openLink(installation: Installation, token: string): OpenLink | undefined {
  const link = queryOne<OpenLink>(
    installation.db,
    `SELECT *
      FROM share_link
      WHERE token_hash = @hash AND (job IS NULL OR job IN (
        SELECT id FROM job WHERE removed = 0 AND (share_link.audience = 'client' OR state <> 'closed')))`,
    { hash: hashOf(token) },
  );
  return link && linkState(link, today(installation)) === 'open' ? link : undefined;
}

/** Whether a picture belongs to what a link shows. */
export const sharesPicture = (installation: Installation, link: OpenLink, hash: string): boolean =>
  link.audience === 'client'
    ? isClients(installation, link, hash)
    : link.audience === 'party'
      ? isOfParty(installation, link, hash)
      : link.audience !== 'neighbour' &&
        (isOfFinding(installation, link, hash) || isFromSpot(installation, link, hash));

/** A picture from a spot of a room in which a sub still works: they may take the next one from there. */
function isFromSpot(installation: Installation, link: OpenLink, hash: string): boolean {
  if (link.audience !== 'sub') return false;
  const areas = [...areasOfCrew(readFirm(installation), link)];
  return (
    queryOne(
      installation.db,
      `SELECT 1 FROM standing_observation
        WHERE picture = @hash AND kind = 'picture' AND matter LIKE 'spot:%'
          AND area IN (SELECT value FROM json_each(@areas))`,
      { hash, areas: JSON.stringify(areas) },
    ) !== undefined
  );
}

/** A picture of an area that a question or a visit is about. */
function isOfParty(installation: Installation, link: OpenLink, hash: string): boolean {
  if (!link.job) return false;
  const areas = areasOfParty(readJob(installation, link.job), link);
  return (
    queryOne(
      installation.db,
      `SELECT 1 FROM standing_observation
        WHERE job = @job AND kind = 'picture' AND picture = @hash AND area IN (SELECT value FROM json_each(@areas))`,
      { job: link.job, hash, areas: JSON.stringify(areas) },
    ) !== undefined
  );
}

/** A picture of a finding where a crew works, or a sub has a step. */
const isOfFinding = ({ db }: Installation, { job, sub }: OpenLink, hash: string): boolean =>
  queryOne(
    db,
    `SELECT 1
      FROM finding
      WHERE picture = @hash AND removed = 0 AND (job = @job OR job IN (
        SELECT area.job FROM step JOIN area ON area.id = step.area JOIN sub ON sub.trade = step.trade
          WHERE sub.id = @sub))`,
    { hash, job, sub },
  ) !== undefined;

const isClients = (installation: Installation, link: OpenLink, hash: string): boolean =>
  queryOne(
    installation.db,
    `SELECT 1 FROM standing_observation WHERE job = @job AND kind = 'picture' AND picture = @hash`,
    {
      job: link.job,
      hash,
    },
  ) !== undefined ||
  queryOne(
    installation.db,
    `SELECT 1
      FROM selection
      WHERE job = @job AND removed = 0 AND state = 'open' AND instr(alternatives, @hash) > 0`,
    { job: link.job, hash },
  ) !== undefined;

/** Counts an opening of a link. What it shows does not wait for that, nor fail with it. */
export const countOpening = (installation: Installation, link: OpenLink): void =>
  noteIfPossible(() => countOpened(installation.db, link.id, installation.clock.now().toISOString()));
