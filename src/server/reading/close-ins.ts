import { groupBy } from '@/core/group-by';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import {
  closeInLines,
  closeInState,
  coveringPhases,
  isCheckedBeforeCover,
  type CloseIn,
  type CloseInFacts,
} from '@/core/walks/close-in';
import type { Observation } from '@/core/walks/observation';
import { taskId } from '@/core/sequence/site';
import { countedWords } from '@/core/walks/record-words';
import { areaRows, stepsByArea } from './job';
import { layoutOf } from './layouts';
import { ofJob, type JobReading } from './reading';
import { carriedOf, progressOf, standingOf } from './standing';
import { assumptionRows, findingRows, scopeRows } from './scope';
import { selectionRows } from './selections';
import { signRows } from './walks';

interface Signature {
  id: string;
  name: string;
  reason: string;
  at: string;
  lines: string[];
}

/** The check before covering of one area. */
export interface AreaCloseIn extends CloseIn {
  area: string;
  name: string;
  signed: Signature | null;
  /** Somebody began to look, or signed. */
  begun: boolean;
  /** It is closed: every line settled, signed for, or taken as closed by a walk. */
  closed: boolean;
  /** When it was closed; undefined while it is not. */
  at?: string;
  /** What hides the walls next, and whether it was begun although lines are open. */
  covers: Phase | null;
  covered: boolean;
}

/** The checks of a job's areas whose walls are closed in the course of the work. */
export const closeInsOf = ofJob((job): ReadonlyMap<string, AreaCloseIn> => {
  const phases = (area: string): Phase[] => (stepsByArea(job).get(area) ?? []).map((step) => step.phase);
  const wanted = areaRows(job).filter(({ id }) => isCheckedBeforeCover(phases(id)));
  if (wanted.length === 0) return new Map();
  const facts = factsOf(job, phases);
  const signed = signaturesOf(job);
  const progress = progressOf(job);
  const byArea = groupBy(
    standingOf(job).map(({ record }) => record),
    (record) => record.area,
  );
  return new Map(
    wanted.map(({ id, name }): [string, AreaCloseIn] => {
      const mine = byArea.get(id) ?? [];
      const state = closeInState(closeInLines(facts(id)), mine);
      const signature = signed.get(id) ?? null;
      const hiding = coveringPhases(phases(id));
      const at = closedAt(state, signature, mine, progress.get(taskId(id, 'close-in')));
      return [
        id,
        {
          ...state,
          area: id,
          name,
          signed: signature,
          begun: signature !== null || mine.some((observation) => observation.kind === 'check'),
          closed: at !== undefined,
          ...(at === undefined ? {} : { at }),
          covers: hiding[0] ?? null,
          covered: at === undefined && hiding.some((phase) => (progress.get(taskId(id, phase))?.fraction ?? 0) > 0),
        },
      ];
    }),
  );
});

/** When the check was closed: by its last line, by a signature that covers what is open, or by a walk that took it as closed. */
function closedAt(
  state: CloseIn,
  signature: Signature | null,
  seen: readonly Observation[],
  walked: { fraction: number; at: string } | undefined,
): string | undefined {
  if (state.closedAt !== undefined) return state.closedAt;
  if (signature && state.open.every((line) => signature.lines.includes(line.key))) return signature.at;
  const reopened = seen.some(
    (observation) =>
      observation.kind === 'check' &&
      observation.verdict === 'open' &&
      observation.at > (walked?.at ?? '') &&
      state.open.some((line) => line.key === observation.line),
  );
  return walked?.fraction === 1 && !reopened ? walked.at : undefined;
}

/** The newest signature of each area. */
const signaturesOf = (job: JobReading): Map<string, Signature> =>
  new Map(
    signRows(job).map(({ id, area, name, reason, signed_at, lines }) => [
      area,
      { id, name, reason, at: signed_at, lines: JSON.parse(lines) as string[] },
    ]),
  );

/** What was agreed, chosen, drawn, found and left open in each area of a job. */
function factsOf(job: JobReading, phasesIn: (area: string) => Phase[]): (area: string) => CloseInFacts {
  const byArea = <Row extends { area: string | null }>(rows: readonly Row[]): Map<string, Row[]> =>
    groupBy(rows, (row) => row.area ?? '');
  const selections = byArea(selectionRows(job).filter((row) => row.follows === null && row.state !== 'left over'));
  const scope = byArea(scopeRows(job).filter((row) => row.stance === 'in'));
  const live = byArea(findingRows(job).filter((row) => row.kind === 'service' && row.live === 1));
  const believed = byArea(assumptionRows(job).filter((row) => row.state === 'open'));
  const open = groupBy(carriedOf(job), ({ item }) => item.area);
  return (area) => {
    const phases = phasesIn(area);
    const hiding = coveringPhases(phases);
    const { shape, openings, fixtures } = layoutOf(job, area);
    return {
      phases,
      openings,
      fixtures,
      walls: shape?.kind === 'room' ? shape.walls.length : 0,
      selections: (selections.get(area) ?? []).map(({ id, category, choice }) => ({ id, category, choice })),
      scope: (scope.get(area) ?? []).map((line) => ({ id: line.id, text: line.subject })),
      // Only what the cover would hide: paint and doors come after it.
      leftovers: (open.get(area) ?? []).flatMap(({ item }) =>
        item.kind === 'remaining' && ROUGH_TRADES.has(item.trade) ? [{ id: item.id, text: countedWords(item) }] : [],
      ),
      assumptions: (believed.get(area) ?? []).filter(
        (entry) => hiding.includes(entry.phase) || phaseFacts(entry.phase).hidden === true,
      ),
      liveServices: (live.get(area) ?? []).map(({ id, subject }) => ({ id, text: subject })),
    };
  };
}

const ROUGH_TRADES: ReadonlySet<string> = new Set([
  'carpentry',
  'structure',
  'plumbing',
  'gas',
  'air',
  'wiring',
  'insulation',
  'metal',
  'glass',
]);

/** “2 of 14 checks before the wall is closed are open: …”. */
export function openWords({ lines, open }: CloseIn, most = 3): string {
  const checks = `${open.length} of ${lines.length} ${lines.length === 1 ? 'check' : 'checks'}`;
  const named = open.slice(0, most).map((line) => line.text);
  return (
    `${checks} before the walls are closed ${open.length === 1 ? 'is' : 'are'} open: ` +
    `${named.join('; ')}${open.length > most ? '; …' : ''}`
  );
}
