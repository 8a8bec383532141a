import type { Cause } from '@/core/schedule/cause';
import { kindOf, type CommandType } from '@/contract/commands';
import type { RecordedObservation } from '@/core/walks/observation';
import { formatTime } from '@/core/units/date-words';
import { formatDay } from '@/core/units/day';
import { dayIn, timeIn } from '@/core/units/zone';
import { LASTING_TABLES, namedBy, putBack, rowNow, type RowChange } from '../database/changes';
import { uuid } from '../database/id';
import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { permissionOf } from '../door/actor';
import {
  carryOut,
  handlers,
  openJobs,
  requireRow,
  wordFor,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { markStanding, markTakenBack } from '../door/log';
import { notFound, Refusal, unprocessable } from '../refusal';
import { completionHandlers } from '../walks/completion';
import { foldWalkAnew, moveRecords } from '../walks/write';
import { walkHandlers } from '../walks/commands';
import { zoneOf } from '../zone';

type Entry = Pick<Rows['command_log'], 'seq' | 'id' | 'who' | 'job' | 'payload'> & {
  type: CommandType;
  rows: string | null;
  taken_back_by: string | null;
};

const ENTRY = `SELECT command_log.seq, command_log.id, type, who, job, payload, rows, taken_back_by
  FROM command_log
  LEFT JOIN command_inverse ON command_inverse.seq = command_log.seq`;

/** What stays as it is, with what to do instead. */
const LASTING: Partial<Record<CommandType, string>> = {
  'firm.found': 'A firm that was founded is not taken back.',
  'plan.take': 'A plan that was taken stays until something changes it; who has to hear of it stands under What moved.',
  'walk.finish': 'A walk that is finished stays so; what is recorded later still belongs to it.',
};

const refused = (code: string, message: string): Refusal => unprocessable(code, message, 'command');

export const undoHandlers = handlers({
  undo: (context, { command }) => {
    const entry = queryOne<Entry>(context.db, `${ENTRY} WHERE command_log.id = @command`, { command });
    if (!entry) throw notFound('change', 'command');
    needRight(context, entry);
    const lasting = LASTING[entry.type];
    if (lasting) throw refused('undo-lasting', lasting);
    if (entry.taken_back_by) throw refused('undone-already', 'This was taken back already.');
    const ownWay = OWN_WAY[entry.type];
    if (ownWay) return ownWay(context, entry);
    takeBack(context, entry);
    noteTakenBack(context, entry);
    sayWhatFollows(context, entry);
  },
});

/** What the firm did is anybody's of the firm to take back who may do the same; what somebody outside said is not. */
function needRight(context: CommandContext, { who, type }: Entry): void {
  if (who.startsWith('person:') && kindOf(type).may.includes(permissionOf(context.who))) return;
  throw new Refusal(403, { code: 'not-allowed', message: 'This is not yours to take back.', field: 'command' });
}

/** A record stays among the records, and no longer counts; what followed from it is taken back by its own rules. */
function withdraw(context: PlanContext, { payload }: Entry): void {
  const { observation } = JSON.parse(payload) as { observation: Pick<RecordedObservation, 'id'> };
  const { id, walk, area, kind } = requireRow(context, 'observation', observation.id, 'command');
  if (kind === 'withdrawal')
    throw refused('undo-withdrawal', 'A record that was withdrawn is said again; its withdrawal is not taken back.');
  if (!queryOne(context.db, 'SELECT 1 FROM standing_observation WHERE id = @id', { id }))
    throw refused('undone-already', 'This was withdrawn already.');
  const withdrawal = { kind: 'withdrawal', id: uuid(), walk, area, about: id };
  carryOut(context, 'observation.record', walkHandlers['observation.record'], { observation: withdrawal });
}

const bought =
  (back: 'shortage.purchase' | 'shortage.unpurchase') =>
  (context: PlanContext, { payload, job }: Entry): void => {
    carryOut(context, back, completionHandlers[back], JSON.parse(payload) as { about: string });
    context.planStays(job ?? undefined);
  };

/** An area that became part of another is one of its own again, with the records that were its. */
function part(context: PlanContext, entry: Entry): void {
  const { from } = JSON.parse(entry.payload) as { from: string };
  const merged = queryOne<Rows['area_merged']>(context.db, 'SELECT * FROM area_merged WHERE id = @from', { from });
  takeBack(context, entry);
  if (merged) moveRecords(context.db, merged.into_area, from, JSON.parse(merged.records) as string[]);
  noteTakenBack(context, entry);
  sayWhatFollows(context, entry);
}

/** A walk that was thrown away counts again with all that was recorded on it. */
function bringBack(context: PlanContext, entry: Entry): void {
  const { id } = JSON.parse(entry.payload) as { id: string };
  takeBack(context, entry);
  foldWalkAnew(context.db, id);
  noteTakenBack(context, entry);
  sayWhatFollows(context, entry);
}

/** What stands among the records of walks has a way back of its own. */
const OWN_WAY: Partial<Record<CommandType, (context: PlanContext, entry: Entry) => void>> = {
  'observation.record': withdraw,
  'area.merge': part,
  'walk.discard': bringBack,
  'shortage.purchase': bought('shortage.unpurchase'),
  'shortage.unpurchase': bought('shortage.purchase'),
};

/** Every row as it was before; refused as a whole where one of them is no longer as it was left. */
function takeBack(context: CommandContext, entry: Entry): void {
  const changes = entry.rows === null ? [] : (JSON.parse(entry.rows) as RowChange[]);
  if (changes.length === 0)
    throw refused('undo-nothing', 'There is nothing to take back: it left nothing behind, or it is too long ago.');
  for (const { table } of changes) if (LASTING_TABLES.has(table)) throw refused('undo-told', TOLD[table] ?? '');
  for (const change of changes)
    if (!isAsLeft(context, change)) throw refused('undo-later', laterWords(context, entry, change));
  // Rows that name one another go and come in an order of their own; that all of them fit is seen at the end.
  context.db.pragma('defer_foreign_keys = ON');
  const gone = changes.filter((change) => !change.before);
  for (const change of changes.reverse()) {
    if (!change.before) needNothingOn(context, change, 'would go with it');
    putBack(context.db, change);
  }
  for (const change of gone) needNothingOn(context, change, 'any');
}

const TOLD: Record<string, string> = {
  message: 'This was told already; tell what is so instead.',
  observation: 'This stands among the records of a walk; withdraw it there.',
  purchased: 'This stands among the records of a walk; say there how it is.',
};

/** Whether a row is still as it was left; what others count on it, its version, may have gone on. */
function isAsLeft({ db }: CommandContext, change: RowChange): boolean {
  const now = rowNow(db, change);
  if (!change.after || !now) return !change.after && !now;
  return Object.entries(change.after).every(([name, value]) => name === 'version' || now[name] === value);
}

/** Who changed a row after it was left, and when. */
function laterWords({ db, now }: CommandContext, entry: Entry, { table, key }: RowChange): string {
  const later = queryOne<Pick<Rows['command_log'], 'who' | 'applied_at'>>(
    db,
    `SELECT who, applied_at
      FROM command_inverse
      JOIN command_log ON command_log.seq = command_inverse.seq
      WHERE command_inverse.seq > @seq AND taken_back_by IS NULL AND instr(rows, @row) > 0
      ORDER BY command_inverse.seq`,
    { seq: entry.seq, row: JSON.stringify({ table, key }).slice(1, -1) },
  );
  if (!later) return `The ${wordFor(table)} has changed since, so this is not taken back.`;
  const zone = zoneOf(db);
  const day = formatDay(dayIn(zone, later.applied_at), dayIn(zone, now));
  return (
    `The ${wordFor(table)} was changed again by ${nameOf(db, later.who)} on ${day} at ` +
    `${formatTime(timeIn(zone, later.applied_at))}; take that back first.`
  );
}

function nameOf(db: CommandContext['db'], who: string): string {
  const [kind, id = ''] = who.split(':');
  if (kind === 'person') return requireName(db, 'SELECT name FROM person WHERE id = @id', id);
  if (kind === 'link') return requireName(db, 'SELECT recipient AS name FROM share_link WHERE id = @id', id);
  return id === 'suppliers' ? 'the supplier' : 'the weather desk';
}

const requireName = (db: CommandContext['db'], sql: string, id: string): string =>
  queryOne<{ name: string }>(db, sql, { id })?.name ?? 'somebody';

/** Nothing may name a row that is to go. */
function needNothingOn({ db }: CommandContext, change: RowChange, which: 'would go with it' | 'any'): void {
  const by = namedBy(db, change, which);
  if (by)
    throw refused(
      'undo-stood-on',
      `The ${wordFor(change.table)} is used by a ${wordFor(by)} since. Take that away first.`,
    );
}

/** It is noted who took it back; whoever takes that back has it stand again. */
function noteTakenBack({ db, command }: CommandContext, { id, seq, type }: Entry): void {
  if (type === 'undo') markStanding(db, id);
  markTakenBack(db, seq, command);
}

function sayWhatFollows(context: PlanContext, { type, job }: Entry): void {
  const cause: Cause = { kind: 'taken-back' };
  if (kindOf(type).affects !== 'plan') context.planStays(job ?? undefined);
  else if (job) context.replan(job, cause);
  else context.replanAll(openJobs(context), cause);
}
