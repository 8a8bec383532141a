import { taskId } from '../sequence/site';
import { ofKind, type Observation, type ObservationKind, type Of } from './observation';
import type { Carried, OpenItem } from './open-items';
import type { PhaseProgress } from './progress';

/**
 * What stands of one matter: a step, an open item, a line of the check before covering, a chosen thing, a spot for
 * pictures, a size of the drawing, a thing in a wall, a shortage. Everything a page or a plan asks of a job's records is
 * asked of these, however many were ever made.
 */
export interface Standing {
  /** The newest word on the matter; of what is carried from walk to walk the item itself. */
  record: Observation;
  /** When the newest word on it was seen. */
  at: string;
  /** Of a step: how it got there, each turn of it. */
  readings?: Reading[];
  /** Of what is carried: what walks said of it since. */
  since?: Omit<OpenItem, 'item'>;
}

type Reading = PhaseProgress['readings'][number];

/**
 * What stands of a matter after one record more of it.
 * @param former what stood before; undefined where nothing was said or all is settled
 * @returns undefined where nothing of it stands
 */
export function folded(former: Standing | undefined, record: Observation): Standing | undefined {
  const { at } = record;
  switch (record.kind) {
    case 'progress':
      return { record, at, readings: turned(former?.readings ?? [], { at, fraction: record.fraction }) };
    case 'remaining':
    case 'caution':
      return former ?? { record, at, since: { putOff: 0, notSeen: 0, worse: false } };
    case 'recheck':
      if (!former?.since || record.verdict === 'done') return undefined;
      return { ...former, at, since: checkedAgain(former.since, record.verdict) };
    default:
      return { record, at };
  }
}

/**
 * What stands of a matter by all that was said of it.
 * @param records of that one matter, none withdrawn, in the order seen
 */
export function foldedFrom(records: readonly Observation[]): Standing | undefined {
  // A phone's clock may have a thing looked at again before it was found.
  const found = records.filter(({ kind }) => kind !== 'recheck');
  const again = records.filter(({ kind }) => kind === 'recheck');
  return [...found, ...again].reduce<Standing | undefined>(folded, undefined);
}

function checkedAgain(since: Omit<OpenItem, 'item'>, verdict: Of<'recheck'>['verdict']): Omit<OpenItem, 'item'> {
  return verdict === 'not seen'
    ? { ...since, notSeen: since.notSeen + 1 }
    : { ...since, putOff: since.putOff + 1, worse: since.worse || verdict === 'worse' };
}

/**
 * Readings that say the same as the one before and the one after add nothing to how a step got where it is, nor to how
 * fast: they are left out, and a step that nobody works on stays as short as it was.
 */
function turned(readings: readonly Reading[], next: Reading): Reading[] {
  const [former, last] = [readings.at(-2), readings.at(-1)];
  const still = former && last && former.fraction === last.fraction && last.fraction === next.fraction;
  return [...(still ? readings.slice(0, -1) : readings), next];
}

/** How far every step is that was looked at. @returns by `taskId(area, phase)` */
export const progressIn = (standing: readonly Standing[]): Map<string, PhaseProgress> =>
  new Map(
    standing.flatMap(({ record, at, readings = [] }) =>
      record.kind === 'progress'
        ? [[taskId(record.area, record.phase), { fraction: record.fraction, at, readings }] as const]
        : [],
    ),
  );

/** Remaining work and cautions that no walk found done, the oldest first. */
export const carriedIn = (standing: readonly Standing[]): OpenItem[] =>
  standing.flatMap(({ record, since }) => (since ? [{ item: record as Carried, ...since }] : []));

/** The records that stand of one kind: the newest of each matter. */
export const recordsIn = <Kind extends ObservationKind>(standing: readonly Standing[], kind: Kind): Of<Kind>[] =>
  ofKind(
    standing.map(({ record }) => record),
    kind,
  );
