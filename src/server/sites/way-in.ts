import type { InferType } from 'yup';
import { addLargePiece, addWayIn } from '@/contract/commands/way-in';
import { flag, insert, orNull, update } from '../database/query';
import type { Rows } from '../database/rows';
import { handlers, requireAreaOf, requireRow, requireStep, requireVersion, type CommandContext } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { addExtraWork } from '../schedule/extra-work';

type WayFields = Omit<InferType<typeof addWayIn.schema>, 'id' | 'job'>;
type PieceFields = Omit<InferType<typeof addLargePiece.schema>, 'id' | 'job'>;
type Column = 'width' | 'height' | 'before' | 'behind' | 'distance' | 'reach';

/** What each kind of way is measured by; what another kind would ask is not kept. */
const MEASURED: Record<WayFields['kind'], readonly Column[]> = {
  opening: ['width', 'height'],
  stair: ['width', 'height'],
  turn: ['before', 'behind', 'height'],
  carry: ['distance'],
  crane: [],
  hose: ['distance', 'reach'],
};

function wayValues(context: CommandContext, job: string, fields: WayFields) {
  if (fields.area) requireAreaOf(context, job, fields.area);
  if (fields.finding && requireRow(context, 'finding', fields.finding, 'finding').job !== job)
    throw notFound('finding in this job', 'finding');
  const sizeOf = (column: Column): number | null =>
    MEASURED[fields.kind].includes(column) ? (fields[column]?.mm ?? null) : null;
  return {
    area: orNull(fields.area),
    what: fields.what,
    kind: fields.kind,
    width: sizeOf('width'),
    height: sizeOf('height'),
    before: sizeOf('before'),
    behind: sizeOf('behind'),
    distance: sizeOf('distance'),
    reach: sizeOf('reach'),
    lifts: fields.kind === 'crane' ? orNull(fields.lifts) : null,
    beside: flag(fields.beside),
    finding: orNull(fields.finding),
  };
}

function pieceValues(context: CommandContext, job: string, fields: PieceFields) {
  requireAreaOf(context, job, fields.area);
  if (fields.selection && requireRow(context, 'selection', fields.selection, 'selection').job !== job)
    throw notFound('selection in this job', 'selection');
  return {
    area: fields.area,
    selection: orNull(fields.selection),
    what: fields.what,
    kind: fields.kind,
    length: fields.length.mm,
    width: fields.width.mm,
    height: fields.height.mm,
    mass: orNull(fields.mass),
  };
}

/** The row as it stands, and not taken away. */
function needThere<Name extends 'way_in' | 'large_piece'>(
  context: CommandContext,
  table: Name,
  { id, version }: { id: string; version: number },
): Rows[Name] {
  const row = requireVersion(context, table, id, version);
  if (row.removed) throw notFound(table === 'way_in' ? 'way in' : 'large piece');
  return row;
}

export const wayInHandlers = handlers({
  'way-in.add': (context, { id, job, ...fields }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'way_in', { id, job, ...wayValues(context, job, fields) });
    context.logFor(job);
  },
  'way-in.change': (context, { id, version, ...fields }) => {
    const { job } = needThere(context, 'way_in', { id, version });
    update(context.db, 'way_in', id, wayValues(context, job, fields));
    context.logFor(job);
  },
  'large-piece.add': (context, { id, job, ...fields }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'large_piece', { id, job, ...pieceValues(context, job, fields) });
    context.logFor(job);
  },
  'large-piece.change': (context, { id, version, ...fields }) => {
    const { job } = needThere(context, 'large_piece', { id, version });
    update(context.db, 'large_piece', id, pieceValues(context, job, fields));
    context.logFor(job);
  },
  'large-piece.plan': (context, { id, version, extraId, trade, halfDays, after }) => {
    const row = needThere(context, 'large_piece', { id, version });
    if (trade === 'nobody') throw unprocessable('trade-of-nobody', 'Somebody carries it: choose the trade.', 'trade');
    if (after) requireStep(context, row.area, after, 'after');
    if (row.extra !== null && requireRow(context, 'extra_work', row.extra).state !== 'dropped')
      throw unprocessable('planned-already', 'Carrying it in is in the plan already.', 'id');
    const text = `carry in: ${row.what}`;
    addExtraWork(context.db, {
      id: extraId,
      job: row.job,
      area: row.area,
      text,
      trade,
      half_days: halfDays,
      after_phase: orNull(after),
      reason: 'it does not come in by itself',
    });
    update(context.db, 'large_piece', id, { extra: extraId });
    context.replan(row.job, { kind: 'extra', extra: extraId, area: row.area, text, what: 'open' });
  },
});
