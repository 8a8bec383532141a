import { proposeLogistics, type AskingArea, type LogisticKind, type Proposal } from '@/core/sequence/logistics';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { sum } from '@/core/units/rounding';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { supplierRows } from './firm';
import { purchasesOf } from './goods';
import { areaRows } from './job';
import { measuresIn } from './layouts';
import { tasksOf } from './plan';
import { OF_JOBS, ofFirm, ofJob, rowsOf, type JobReading } from './reading';
import { findingRows } from './scope';
import { calculationRows, selectionRows } from './selections';
import { logisticRows } from './sequence';
import { siteOf } from './site';
import { pieceOf, pieceRows, verdictOf, waysTo } from './way-in';

/** Heavier than four people carry: it is lifted. kg */
const LIFTED_FROM = 100;

const answeredRows = rowsOf<Pick<Rows['logistic'], 'job' | 'proposal'>>(
  `SELECT job, proposal FROM logistic WHERE job ${OF_JOBS} AND proposal <> ''`,
);

/** What the works of a job ask for and nobody has answered. */
export const proposalsOf = ofJob((job): Proposal[] => {
  const tasks = tasksOf(job);
  return proposeLogistics(
    askingAreas(job),
    logisticRows(job),
    new Set(answeredRows(job).map(({ proposal }) => proposal)),
    // What is not planned yet comes in the order of the list.
    (area, phase) => tasks.get(taskId(area, phase))?.start ?? Infinity,
  );
});

function askingAreas(job: JobReading): AskingArea[] {
  const rows = new Map(areaRows(job).map((row) => [row.id, row]));
  const concrete = concreteByArea(job);
  return siteOf(job).areas.map((area): AskingArea => {
    const carries = waysTo(job, area.id).usual.flatMap(({ way }) =>
      way.kind === 'carry' || way.kind === 'hose' ? [way.distance] : [],
    );
    return {
      id: area.id,
      kind: area.kind,
      ahead: area.track.filter(({ fraction }) => fraction === 0).map(({ phase }) => phase),
      begun: area.track.filter(({ fraction }) => fraction > 0).map(({ phase }) => phase),
      measures: measuresIn(job, area.id),
      size: rows.get(area.id)?.size ?? 1,
      concrete: concrete.get(area.id) ?? 0,
      measured: pieceRows(job).some((row) => row.area === area.id),
      lifted: liftedInto(job, area.id),
      carry: carries.length > 0 ? Math.max(...carries) : null,
    };
  });
}

/** Concrete by the truck that kept results order, in m³ by area. */
function concreteByArea(job: JobReading): ReadonlyMap<string, number> {
  const by = new Map<string, number>();
  for (const row of calculationRows(job)) {
    const bought = (purchasesOf(job).get(row.id) ?? []).filter(
      ({ what, unit }) => unit === 'm³' && what.startsWith('concrete'),
    );
    by.set(row.area, (by.get(row.area) ?? 0) + sum(bought.map(({ quantity }) => quantity)));
  }
  return by;
}

/** Large pieces for a room that no way by hand lets in, or that are too heavy for it. */
function liftedInto(job: JobReading, area: string): AskingArea['lifted'] {
  const track = siteOf(job).areas.find(({ id }) => id === area)?.track ?? [];
  return pieceRows(job).flatMap((row) => {
    const isLifted = (row.mass ?? 0) > LIFTED_FROM || !verdictOf(job, row).fits;
    const chosen = selectionRows(job).find(({ id }) => id === row.selection);
    const step =
      track.find(({ phase }) => phase === (chosen?.phase ?? 'structure')) ??
      track.find(({ fraction, phase }) => fraction === 0 && phaseFacts(phase).trade !== 'nobody');
    return row.area === area && isLifted && step && step.fraction === 0
      ? [{ what: row.what, piece: pieceOf(row), phase: step.phase }]
      : [];
  });
}

/** Whom to call. */
export interface Contact {
  contact: string;
  phone: string;
}

/** Whom the firm called last for each kind, over all its jobs. */
const contactsOf = ofFirm(
  ({ db }): ReadonlyMap<LogisticKind, Contact> =>
    new Map(
      queryAll<Contact & { kind: LogisticKind }>(
        db,
        "SELECT kind, contact, phone FROM logistic WHERE contact <> '' OR phone <> '' ORDER BY rowid",
      ).map(({ kind, contact, phone }) => [kind, { contact, phone }]),
    ),
);

/** Whom one would call for what is proposed: the supplier of what comes, else whom the firm called last. */
export function contactFor(job: JobReading, { kind, area, phase }: Pick<Proposal, 'kind' | 'area' | 'phase'>): Contact {
  const goods =
    kind === 'drop'
      ? selectionRows(job).find((row) => row.area === area && row.phase === phase && row.supplier)
      : undefined;
  const supplier = supplierRows(job.firm).find(({ id }) => id === goods?.supplier);
  return supplier
    ? { contact: supplier.name, phone: supplier.phone }
    : (contactsOf(job.firm).get(kind) ?? { contact: '', phone: '' });
}

/** Where one would have it stand: as the first visit found it. */
export const placeFor = (job: JobReading, kind: LogisticKind): string =>
  kind === 'neighbours' || kind === 'parking'
    ? ''
    : (findingRows(job).find((row) => row.kind === 'parking')?.subject ?? '');
