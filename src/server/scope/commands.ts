import type { InferType } from 'yup';
import { addFinding, addScope, type Removable } from '@/contract/commands/scope';
import { mirror } from '@/core/layout/mirror';
import type { FaceShape } from '@/core/layout/shape';
import { measuredQuantity, measureUnit } from '@/core/quantities/measured';
import { isComing, type SelectionState } from '@/core/selections/states';
import { uuid } from '../database/id';
import { queryAll, flag, insert, orNull, execute, update } from '../database/query';
import type { Rows } from '../database/rows';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireVersion,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { recalculateArea } from '../quantities/recalculate';
import { addHistory } from '../selections/history';
import { layoutNow, measuresNow } from '../reading/layouts';
import { recordDecision } from '../sites/decisions';

type ScopeFields = Omit<InferType<typeof addScope.schema>, 'id' | 'job' | 'area'>;

/** A line whose quantity follows the drawing takes it from there; where nothing is drawn it keeps what was typed. */
function scopeValues(context: CommandContext, job: string, area: string, item: ScopeFields) {
  if (item.selection && requireRow(context, 'selection', item.selection, 'selection').job !== job)
    throw notFound('selection in this job', 'selection');
  const measured = item.measure ? measuredQuantity(measuresNow(context.installation, area), item.measure) : undefined;
  return {
    stance: item.stance,
    verb: item.verb,
    subject: item.subject,
    quantity: measured ?? orNull(item.quantity),
    unit: item.measure && measured !== undefined ? measureUnit(item.measure) : orNull(item.unit),
    trade: orNull(item.trade),
    depends_on: item.dependsOn,
    selection: orNull(item.selection),
    measure: orNull(item.measure),
  };
}

type FindingFields = Omit<InferType<typeof addFinding.schema>, 'id' | 'job'>;

function findingValues(context: CommandContext, job: string, finding: FindingFields) {
  if (finding.area) requireAreaOf(context, job, finding.area);
  if (finding.allowed !== undefined && finding.quantity !== undefined && finding.allowed > finding.quantity)
    throw unprocessable(
      'allowed-too-much',
      'More is allowed for than was seen; allow for at most what is there.',
      'allowed',
    );
  return {
    area: orNull(finding.area),
    kind: finding.kind,
    subject: finding.subject,
    quantity: orNull(finding.quantity),
    unit: finding.unit,
    need: finding.need,
    live: finding.live === undefined ? null : flag(finding.live),
    place: finding.place,
    cause: finding.cause,
    remedy: finding.remedy,
    allowed: orNull(finding.allowed),
    unit_price: orNull(finding.unitPrice),
    lead_days: orNull(finding.leadDays),
    options: JSON.stringify(finding.options),
  };
}

/** Days an authority takes where nobody has said. */
const USUAL_APPROVAL_DAYS = 28;

/** An approval that a visit finds is asked for like any other: it stands among them until it is given. */
function askFor(
  context: CommandContext,
  job: string,
  { subject, place, leadDays = USUAL_APPROVAL_DAYS }: FindingFields,
): void {
  const request = uuid();
  insert(context.db, 'request', {
    id: request,
    job,
    kind: 'approval',
    party: 'authority',
    who: place,
    subject,
    takes_low: leadDays,
    takes_high: leadDays,
  });
  addHistory(context, { job, request }, 'found on a visit');
}

const TABLES = {
  scope: 'scope_item',
  finding: 'finding',
  opening: 'opening',
  fixture: 'fixture',
  level: 'level_mark',
  calculation: 'calculation',
  assumption: 'assumption',
  decision: 'decision',
  selection: 'selection',
  request: 'request',
  standpoint: 'standpoint',
  'close-in-sign': 'close_in_sign',
  'left-with-client': 'handed_over',
  'sign-off': 'sign_off',
} as const satisfies Record<Removable, string>;

/** Takes a thing away or brings it back; what follows from the drawing follows. */
function takeAway(context: PlanContext, of: Removable, id: string): void {
  // Each of these tables has its own columns; what is asked here is there or not.
  const row: { removed: 0 | 1; state?: string; area?: string | null; job?: string } = requireRow(
    context,
    TABLES[of],
    id,
  );
  if (row.removed) throw unprocessable('so-already', 'This was taken away already.', 'id');
  // What was settled is part of the job’s story, and may have brought work.
  if (of === 'assumption' && row.state !== 'open')
    throw unprocessable('settled-already', 'This is settled; open it again to take it away.', 'id');
  update(context.db, TABLES[of], id, { removed: 1 });
  if (of === 'opening' && row.area) recalculateArea(context, row.area);
  // What is ordered is coming, whatever the list says.
  if (of === 'selection' && isComing(row.state as SelectionState))
    throw unprocessable('ordered-already', 'This is ordered and on its way; take the order back first.', 'id');
  const job = row.job ?? requireRow(context, 'area', row.area ?? '', 'area').job;
  if (of === 'selection' || of === 'request' || of === 'close-in-sign')
    context.replan(job, `a ${of === 'close-in-sign' ? 'signature' : of} was taken away`);
  else context.planStays(job);
}

/** A new area after the one it is taken from, with the same work in it. */
function twin(
  context: CommandContext,
  from: Rows['area'],
  id: string,
  name: string,
  over: Partial<Rows['area']>,
): void {
  const { version: _, position, ...row } = from;
  execute(context.db, 'UPDATE area SET position = position + 1 WHERE job = @job AND position > @position', {
    job: from.job,
    position,
  });
  insert(context.db, 'area', { ...row, id, name, position: position + 1, ...over });
  for (const step of queryAll<Pick<Rows['step'], 'phase' | 'trade' | 'half_days'>>(
    context.db,
    'SELECT phase, trade, half_days FROM step WHERE area = @area',
    { area: from.id },
  ))
    insert(context.db, 'step', { area: id, ...step });
}

function copyRows(context: CommandContext, table: 'scope_item' | 'finding', from: string, to: string): void {
  const rows = queryAll<Rows[typeof table]>(
    context.db,
    `SELECT * FROM ${table} WHERE area = @from AND removed = 0 ORDER BY rowid`,
    { from },
  );
  // A copy is a row of its own; what a change brought stays with the change.
  for (const row of rows)
    insert(context.db, table, {
      ...row,
      id: uuid(),
      version: 1,
      area: to,
      ...('change_order' in row ? { change_order: null } : {}),
    });
}

function copyLayout(context: CommandContext, from: string, to: string, mirrored: boolean): void {
  const { shape, openings, fixtures: fixtures } = layoutNow(context.installation, from);
  if (!shape) return;
  const copied = mirrored ? mirror(shape, openings, fixtures) : { shape, openings, fixtures };
  insert(context.db, 'shape', { area: to, shape: JSON.stringify(copied.shape) });
  const bare = (thing: object): string => JSON.stringify({ ...thing, id: undefined, version: undefined });
  for (const opening of copied.openings)
    insert(context.db, 'opening', { id: uuid(), area: to, opening: bare(opening) });
  for (const thing of copied.fixtures) insert(context.db, 'fixture', { id: uuid(), area: to, fixture: bare(thing) });
}

export const scopeHandlers = handlers({
  'scope.add': (context, { id, job, area, ...item }) => {
    requireAreaOf(context, job, area);
    insert(context.db, 'scope_item', { id, job, area, ...scopeValues(context, job, area, item) });
    context.logFor(job);
  },
  'scope.change': (context, { id, version, ...item }) => {
    const { job, area } = requireVersion(context, 'scope_item', id, version);
    update(context.db, 'scope_item', id, scopeValues(context, job, area, item));
    context.logFor(job);
  },
  'scope.add-many': (context, { job, lines }) => {
    lines.forEach(({ id, area, ...item }, index) => {
      requireAreaOf(context, job, area, `lines[${index}].area`);
      insert(context.db, 'scope_item', { id, job, area, ...scopeValues(context, job, area, item) });
    });
    context.logFor(job);
  },
  'line.remove': (context, { of, id }) => takeAway(context, of, id),
  'finding.add': (context, { id, job, ...finding }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'finding', { id, job, ...findingValues(context, job, finding) });
    if (finding.kind === 'approval') askFor(context, job, finding);
    context.logFor(job);
  },
  'finding.change': (context, { id, version, ...finding }) => {
    const { job } = requireVersion(context, 'finding', id, version);
    update(context.db, 'finding', id, findingValues(context, job, finding));
    context.logFor(job);
  },
  'decision.add': (context, { id, job, area, subject, reason }) => {
    requireRow(context, 'job', job, 'job');
    if (area) requireAreaOf(context, job, area);
    recordDecision(context, { id, job, area: orNull(area), subject, reason });
    context.logFor(job);
  },
  'area.copy': (context, { from, id, name, side, mirrored, parts }) => {
    const row = requireRow(context, 'area', from, 'from');
    twin(context, row, id, name, { side });
    if (parts.includes('scope')) copyRows(context, 'scope_item', from, id);
    if (parts.includes('findings')) copyRows(context, 'finding', from, id);
    if (parts.includes('layout')) copyLayout(context, from, id, mirrored);
    recalculateArea(context, id);
    context.replan(row.job, `${name} was copied from ${row.name}`);
  },
  'area.split': (context, { id, version, name, secondId, secondName, fromSection }) => {
    const row = requireVersion(context, 'area', id, version);
    const { shape, openings } = layoutNow(context.installation, id);
    if (fromSection !== undefined && (shape?.kind !== 'face' || fromSection > shape.sections.length))
      throw unprocessable('no-such-section', 'A face is split at one of its sections; draw them first.', 'fromSection');
    // Without a section it is taken for two halves.
    const part =
      fromSection !== undefined && shape?.kind === 'face'
        ? widthFrom(shape, fromSection - 1) / widthFrom(shape, 0)
        : 0.5;
    twin(context, row, secondId, secondName, { size: Math.max(0.1, row.size * part) });
    update(context.db, 'area', id, { name, size: Math.max(0.1, row.size * (1 - part)) });
    if (fromSection !== undefined && shape?.kind === 'face') {
      const from = fromSection - 1;
      execute(context.db, 'UPDATE shape SET shape = @shape, version = version + 1 WHERE area = @id', {
        id,
        shape: JSON.stringify({ ...shape, sections: shape.sections.slice(0, from) }),
      });
      insert(context.db, 'shape', {
        area: secondId,
        shape: JSON.stringify({ ...shape, sections: shape.sections.slice(from) }),
      });
      for (const { id: opening, version: _, ...rest } of openings.filter((opening) => opening.wall >= from))
        update(context.db, 'opening', opening, {
          area: secondId,
          opening: JSON.stringify({ ...rest, wall: rest.wall - from }),
        });
    }
    recalculateArea(context, id);
    recalculateArea(context, secondId);
    context.replan(row.job, `${row.name} was split`);
  },
});

const widthFrom = (shape: FaceShape, section: number): number =>
  shape.sections.slice(section).reduce((sum, entry) => sum + entry.width.mm, 0);
