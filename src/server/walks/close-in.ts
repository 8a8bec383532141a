import { groupBy } from '@/core/group-by';
import type { Opening, Fixture, Shape } from '@/core/layout/shape';
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
import { openItems } from '@/core/walks/open-items';
import { progressOf } from '@/core/walks/progress';
import { taskId } from '@/core/sequence/site';
import { notWithdrawn } from '@/core/walks/observation';
import { countedWords } from '@/core/walks/record-words';
import { queryAll, insert } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, requireRow } from '../dispatch/handler';
import { unprocessable } from '../dispatch/refusal';
import { personOf } from '../scope/decisions';
import { observationsOf } from './queries';

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

/**
 * The checks of a job's areas whose walls are closed in the course of the work.
 * @param seen those of the job that stand, in the order seen; read anew where they are not given
 */
export function closeInsOf(
  db: Connection,
  job: string,
  seen: readonly Observation[] = notWithdrawn(observationsOf(db, job)),
): Map<string, AreaCloseIn> {
  const steps = stepsOf(db, job);
  const wanted = queryAll<{ id: string; name: string }>(
    db,
    'SELECT id, name FROM area WHERE job = @job ORDER BY position',
    { job },
  ).filter(({ id }) => isCheckedBeforeCover(steps.get(id) ?? []));
  if (wanted.length === 0) return new Map();
  const facts = factsOf(db, job, steps, seen);
  const signed = signaturesOf(db, job);
  const progress = progressOf(seen);
  const byArea = groupBy(seen, (observation) => observation.area);
  return new Map(
    wanted.map(({ id, name }): [string, AreaCloseIn] => {
      const mine = byArea.get(id) ?? [];
      const state = closeInState(closeInLines(facts(id)), mine);
      const signature = signed.get(id) ?? null;
      const hiding = coveringPhases(steps.get(id) ?? []);
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
}

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

function stepsOf(db: Connection, job: string): Map<string, Phase[]> {
  const rows = queryAll<{ area: string; phase: Phase }>(
    db,
    'SELECT step.area, phase FROM step JOIN area ON area.id = step.area WHERE area.job = @job',
    { job },
  );
  return new Map([...groupBy(rows, (row) => row.area)].map(([area, list]) => [area, list.map((row) => row.phase)]));
}

/** The newest signature of each area. */
const signaturesOf = (db: Connection, job: string): Map<string, Signature> =>
  new Map(
    queryAll<{ id: string; area: string; name: string; reason: string; signed_at: string; lines: string }>(
      db,
      'SELECT * FROM close_in_sign WHERE job = @job AND removed = 0 ORDER BY signed_at',
      { job },
    ).map(({ id, area, name, reason, signed_at, lines }) => [
      area,
      { id, name, reason, at: signed_at, lines: JSON.parse(lines) as string[] },
    ]),
  );

/** What was agreed, chosen, drawn, found and left open in each area of a job, read at once. */
function factsOf(
  db: Connection,
  job: string,
  steps: ReadonlyMap<string, Phase[]>,
  seen: readonly Observation[],
): (area: string) => CloseInFacts {
  const byArea = <Row extends { area: string }>(rows: Row[]): Map<string, Row[]> => groupBy(rows, (row) => row.area);
  const selections = byArea(
    queryAll<{ id: string; area: string; category: string; choice: string }>(
      db,
      `SELECT id, area, category, choice
        FROM selection
        WHERE job = @job AND removed = 0 AND follows IS NULL AND state <> 'left over'
        ORDER BY rowid`,
      { job },
    ),
  );
  const scope = byArea(
    queryAll<{ id: string; area: string; verb: string; subject: string }>(
      db,
      `SELECT id, area, verb, subject
        FROM scope_item
        WHERE job = @job AND removed = 0 AND stance = 'in'
        ORDER BY rowid`,
      { job },
    ),
  );
  const live = byArea(
    queryAll<{ id: string; area: string; text: string }>(
      db,
      `SELECT id, area, subject AS text
        FROM finding
        WHERE job = @job AND removed = 0 AND kind = 'service' AND live = 1 AND area IS NOT NULL
        ORDER BY rowid`,
      { job },
    ),
  );
  const believed = byArea(
    queryAll<{ id: string; area: string; text: string; phase: Phase }>(
      db,
      `SELECT id, area, text, phase
        FROM assumption
        WHERE job = @job AND removed = 0 AND state = 'open'
        ORDER BY rowid`,
      { job },
    ),
  );
  const drawn = drawnOf(db, job);
  const open = groupBy(openItems(seen), ({ item }) => item.area);
  return (area) => {
    const phases = steps.get(area) ?? [];
    const hiding = coveringPhases(phases);
    return {
      phases,
      ...drawn(area),
      selections: selections.get(area) ?? [],
      scope: (scope.get(area) ?? []).map((line) => ({ id: line.id, text: line.subject })),
      // Only what the cover would hide: paint and doors come after it.
      leftovers: (open.get(area) ?? [])
        .filter(({ item }) => ROUGH_TRADES.has(item.trade))
        .map(({ item }) => ({ id: item.id, text: countedWords(item) })),
      assumptions: (believed.get(area) ?? []).filter(
        (entry) => hiding.includes(entry.phase) || phaseFacts(entry.phase).hidden === true,
      ),
      liveServices: live.get(area) ?? [],
    };
  };
}

/** What is drawn of a job's areas, read at once. */
function drawnOf(db: Connection, job: string): (area: string) => Pick<CloseInFacts, 'openings' | 'fixtures' | 'walls'> {
  const things = <Thing extends { id: string }>(table: 'opening' | 'fixture'): Map<string, Thing[]> =>
    groupByArea(
      queryAll<{ id: string; area: string; content: string }>(
        db,
        `SELECT ${table}.id, area, ${table} AS content
          FROM ${table}
          JOIN area ON area.id = ${table}.area
          WHERE area.job = @job AND removed = 0
          ORDER BY ${table}.rowid`,
        { job },
      ).map((row) => [row.area, { ...(JSON.parse(row.content) as Thing), id: row.id }]),
    );
  const [openings, fixtures] = [things<Opening>('opening'), things<Fixture>('fixture')];
  const walls = new Map(
    queryAll<{ area: string; shape: string }>(
      db,
      'SELECT area, shape FROM shape JOIN area ON area.id = shape.area WHERE area.job = @job',
      { job },
    ).map((row) => {
      const shape = JSON.parse(row.shape) as Shape;
      return [row.area, shape.kind === 'room' ? shape.walls.length : 0];
    }),
  );
  return (area) => ({
    openings: openings.get(area) ?? [],
    fixtures: fixtures.get(area) ?? [],
    walls: walls.get(area) ?? 0,
  });
}

const groupByArea = <Thing>(pairs: [string, Thing][]): Map<string, Thing[]> =>
  new Map([...groupBy(pairs, ([area]) => area)].map(([area, list]) => [area, list.map(([, thing]) => thing)]));

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

export const closeInHandlers = handlers({
  'close-in.sign': (context, { id, area, name, reason }) => {
    const { job } = requireRow(context, 'area', area, 'area');
    const check = closeInsOf(context.db, job).get(area);
    if (!check) throw unprocessable('no-close-in', 'No walls are closed in this area.', 'area');
    if (check.open.length === 0)
      throw unprocessable('nothing-open', 'Every line is settled; there is nothing to answer for.', 'area');
    insert(context.db, 'close_in_sign', {
      id,
      job,
      area,
      name,
      reason,
      lines: JSON.stringify(check.open.map((line) => line.key)),
      signed_at: context.at,
      person: personOf(context),
    });
    context.replan(job, `${name} answered for the open checks in ${check.name}`);
  },
});
