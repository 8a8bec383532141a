import { createHash } from 'node:crypto';
import type { JobPack, PackMarks, PackNews, Recorded, WalkArea, WalkPack } from '@/contract/views/walk';
import { recordedOnto } from '@/core/walks/overlay';
import { groupBy } from '@/core/group-by';
import { isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { lastVisit } from '../reading/covered';
import { daysBetween, formatDay } from '@/core/units/day';
import { countedWords } from '@/core/walks/record-words';
import { walkingOrder } from '@/core/walks/route';
import { dayIn } from '@/core/units/zone';
import type { Installation } from '../installation';
import { assumptionsOf, briefIn, briefOfJob, extrasOf, forOfficeIn, gapsIn } from './scope-parts';
import { signOf } from '@/core/assemblies/fitting';
import { catalogueOf } from '../reading/assemblies';
import { closeInsOf } from '../reading/close-ins';
import { personNames, supplierRows } from '../reading/firm';
import { areaRows, jobRow, levelRows } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import { readFirm, readJob, type JobReading } from '../reading/reading';
import { recordsOfWalk } from '../reading/records';
import { carriedBefore, carriedOf, recordsThat } from '../reading/standing';
import { selectionRows } from '../reading/selections';
import { siteOf } from '../reading/site';
import { filingsOfWalk, narrationsOf, walkRow, type WalkRow } from '../reading/walk';
import { lastLeft, signOffRows, standpointRows } from '../reading/walks';
import { whenSeen } from '../words';
import { clockFor } from '../zone';
import { drawnOf } from './drawn';
import { synonymsOf } from '../reading/spoken-names';

/** Everything a walk needs in the hand. */
export function walkPack(installation: Installation, id: string): WalkPack {
  const walk = walkRow(installation.db, id);
  const job = readJob(installation, walk.job);
  return {
    ...packOf(job, installation, walk),
    narrations: narrationsOf(installation.db, id),
    walk: {
      id,
      kind: walk.kind,
      startedAt: walk.started_at,
      finished: walk.finished_at !== null,
      by: personNames(job.firm).get(walk.person) ?? '',
    },
  };
}

/**
 * What a device keeps of every job that is walked, so that one can be begun where there is no signal: only what it has not
 * yet, or has otherwise.
 * @param have the marks of what it has, by job
 */
export function packNews(installation: Installation, have: Record<string, PackMarks>): PackNews {
  const firm = readFirm(installation);
  const clock = clockFor(installation);
  return {
    clock,
    today: firm.today,
    jobs: firm.jobs.map((id) => {
      const { areas, clock: _, today: __, ...rest } = packOf(firm.job(id), installation);
      const known = have[id] ?? {};
      const marks: PackMarks = { '': markOf(rest) };
      for (const area of areas) marks[area.id] = markOf(area);
      return {
        id,
        marks,
        order: areas.map((area) => area.id),
        ...(known[''] === marks[''] ? {} : { rest }),
        areas: areas.filter((area) => known[area.id] !== marks[area.id]),
      };
    }),
  };
}

const markOf = (part: object): string =>
  createHash('sha256').update(JSON.stringify(part)).digest('base64url').slice(0, 16);

/** What was chosen and is not fitted yet, by area. */
const chosenOf = (job: JobReading): Map<string, WalkArea['selections']> =>
  new Map(
    [
      ...groupBy(
        selectionRows(job).filter(({ state }) => state !== 'fitted' && state !== 'left over'),
        (row) => row.area as string,
      ),
    ].map(([area, rows]) => [
      area,
      rows.map(({ id, category, choice, code, colour, finish, quantity, unit, state }) => ({
        id,
        category,
        choice,
        code,
        colour,
        finish,
        quantity,
        unit,
        state,
        verdict: null,
      })),
    ]),
  );

function packOf(job: JobReading, installation: Installation, walk?: WalkRow): JobPack {
  const { today: now, zone, db } = job.firm;
  const its = jobRow(job);
  const mine = groupBy(walk ? recordsOfWalk(db, walk.id) : [], (record) => record.area);
  const rows = new Map(areaRows(job).map((area) => [area.id as string, area]));
  // What was open when the walk began stays in sight, with what this walk said of it; the oldest first, so that none is
  // lost at the end.
  const before = groupBy(walk ? carriedBefore(job, walk.id) : carriedOf(job), ({ item }) => item.area);
  const chosen = chosenOf(job);
  const [believed, added, closeIns] = [assumptionsOf(job), extrasOf(job), closeInsOf(job)];
  const spots = standpointsOf(job);
  const accepted = new Map(signOffRows(job).map((row) => [row.area as string, row.name]));
  const names = personNames(job.firm);
  const filings: Filings = walk ? filingsOfWalk(db, walk.id) : new Map();
  const areas = walkingOrder(siteOf(job).areas).map((area): WalkArea => {
    const check = closeIns.get(area.id);
    const row = rows.get(area.id);
    const bare: WalkArea = {
      id: area.id,
      name: area.name,
      kind: area.kind,
      place: row?.level_name ?? 'outside',
      called: synonymsOf(area.name, row?.called ?? ''),
      steps: area.track.map((step) => ({
        phase: step.phase,
        label: phaseFacts(step.phase).label,
        fraction: step.fraction,
        trade: step.trade,
        ...failedOf(job, area.id, step.phase),
      })),
      open: (before.get(area.id) ?? [])
        .map(({ item, putOff, notSeen, worse }) => ({
          id: item.id,
          kind: item.kind,
          text: item.kind === 'remaining' ? countedWords(item) : item.text,
          trade: item.kind === 'remaining' ? item.trade : null,
          putOff,
          notSeen,
          worse,
          days: daysBetween(dayIn(zone, item.at), now),
          verdict: null,
          since: whenSeen(item.at, job.firm),
        }))
        .sort((a, b) => b.days - a.days),
      selections: chosen.get(area.id) ?? [],
      assumptions: believed
        .filter(
          (assumption) =>
            assumption.areaId === area.id && (assumption.state === 'open' || (walk && assumption.walk === walk.id)),
        )
        .map(({ id, text, fallback, shownBy, state }) => ({ id, text, fallback, shownBy, state })),
      extras: added
        .filter((extra) => extra.areaId === area.id && extra.state === 'open')
        .map((extra) => ({ id: extra.id, text: extra.text, trade: extra.trade, done: false })),
      checks: (check?.lines ?? []).map(({ key, text, because, state, said }) => ({
        key,
        text,
        because,
        state,
        said: said ?? '',
      })),
      closed: check?.closed ?? false,
      standpoints: spots.get(area.id) ?? [],
      ...drawnOf(layoutOf(job, area.id)),
      brief: briefIn(job, area.id),
      forOffice: forOfficeIn(job, area.id),
      gaps: gapsIn(job, area.id),
      accepted: accepted.get(area.id) ?? null,
      recorded: [],
    };
    // What this walk recorded itself is laid on as the device lays on what it has not sent.
    const walked = (mine.get(area.id) ?? []).reduce(
      (now, record) =>
        recordedOnto(now, record, record.person === walk?.person ? {} : { by: names.get(record.person) ?? '' }),
      bare,
    );
    return { ...walked, recorded: walked.recorded.map((record) => putAmong(record, filings)) };
  });
  const left = lastLeft(job);
  return {
    job: { id: job.id, name: its.name, client: its.client, units: its.units, leaves: its.leaves },
    areas,
    levels: levelRows(job).map(({ id, name }) => ({ id, name })),
    whole: { brief: briefOfJob(job), forOffice: forOfficeIn(job, null), gaps: gapsIn(job, null) },
    assemblies: catalogueOf(job.firm).map(signOf),
    suppliers: supplierRows(job.firm).map((row) => row.name),
    left: left ? { when: whenSeen(left.at, job.firm), bin: left.bin } : null,
    clock: clockFor(installation),
    today: now,
    demo: installation.demo,
  };
}

type Filings = ReturnType<typeof filingsOfWalk>;

/** A record with what it became, where it was put among something. */
function putAmong(record: Recorded, filings: Filings): Recorded {
  const place = filings.get(record.id);
  return place?.target ? { ...record, filed: { as: place.filedAs, target: place.target } } : record;
}

/** Spots from which pictures are taken again, each with its newest one, by area. */
function standpointsOf(job: JobReading): Map<string, WalkArea['standpoints']> {
  const last = new Map(
    recordsThat(job, 'picture').flatMap((picture) =>
      picture.standpoint
        ? [[picture.standpoint, { hash: picture.picture, when: whenSeen(picture.at, job.firm) }] as const]
        : [],
    ),
  );
  return new Map(
    [...groupBy(standpointRows(job), (row) => row.area as string)].map(([area, list]) => [
      area,
      list.map(({ id, name }) => ({ id, name, last: last.get(id) ?? null })),
    ]),
  );
}

/** How the last visit went wrong, where it did. */
function failedOf(job: JobReading, area: string, phase: Phase): { failed?: string } {
  const visit = isPassedByName(phase) ? lastVisit(job, area, phase) : undefined;
  return visit?.state === 'failed'
    ? { failed: `failed on ${formatDay(visit.day, job.firm.today)}: ${visit.words}` }
    : {};
}
