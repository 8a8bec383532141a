import type { InferType } from 'yup';
import { addFinding, addScope } from '@/contract/commands/scope';
import { mirror } from '@/core/layout/mirror';
import type { FaceShape } from '@/core/layout/shape';
import type { LengthSystem } from '@/core/units/length';
import { measuredIn, measureUnit } from '@/core/quantities/measured';
import { uuid } from '../database/id';
import { queryAll, queryOne, flag, insert, orNull, update } from '../database/query';
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
import { today } from '../zone';
import { addFixture, addOpening, changeOpening, putShape } from '../layout/drawing';
import { addLine, changeLine } from '../quantities/lines';
import { recalculateArea } from '../quantities/recalculate';
import { addHistory } from '../selections/history';
import { writeRequest } from '../selections/requests';
import { copyTrack } from '../sequence/track';
import { addAreaAfter, changeArea } from '../sites/areas';
import { layoutNow, measuresNow } from '../reading/layouts';
import { needOwnName } from '../sites/commands';
import { recordDecision } from '../sites/decisions';
import { unseenPrices } from '../rights/sees';

type ScopeFields = Omit<InferType<typeof addScope.schema>, 'id' | 'job' | 'area'>;

/** A line whose quantity follows the drawing takes it from there; where nothing is drawn it keeps what was typed. */
function scopeValues(context: CommandContext, job: string, area: string, item: ScopeFields) {
  if (item.selection && requireRow(context, 'selection', item.selection, 'selection').job !== job)
    throw notFound('selection in this job', 'selection');
  const { units } = requireRow(context, 'job', job, 'job');
  const measured = item.measure ? measuredIn(measuresNow(context.installation, area), item.measure, units) : undefined;
  return {
    stance: item.stance,
    verb: item.verb,
    subject: item.subject,
    quantity: measured ?? orNull(item.quantity),
    unit: item.measure && measured !== undefined ? measureUnit(item.measure, units) : orNull(item.unit),
    trade: orNull(item.trade),
    depends_on: item.dependsOn,
    selection: orNull(item.selection),
    measure: orNull(item.measure),
    place: item.place,
  };
}

type FindingFields = Omit<InferType<typeof addFinding.schema>, 'id' | 'job'>;

function findingValues(context: CommandContext, job: string, finding: FindingFields) {
  if (finding.area) requireAreaOf(context, job, finding.area);
  if (finding.picture) requireRow(context, 'picture', finding.picture, 'picture');
  return {
    area: orNull(finding.area),
    picture: orNull(finding.picture),
    kind: finding.kind,
    subject: finding.subject,
    quantity: orNull(finding.quantity),
    unit: finding.unit,
    need: finding.need,
    live: finding.live === undefined ? null : flag(finding.live),
    trade: orNull(finding.trade),
    place: finding.place,
    cause: finding.cause,
    remedy: finding.remedy,
    allowed: orNull(finding.allowed),
    unit_price: orNull(finding.unitPrice),
    lead_days: orNull(finding.leadDays),
    options: JSON.stringify(finding.options),
  };
}

/** A service that is said to stay live and how it is marked is kept, by whoever says so; all else has to be proved. */
function proofIn(
  context: CommandContext,
  { kind, live, need }: FindingFields,
): Pick<Rows['finding'], 'proved' | 'proved_by' | 'proved_on'> {
  return kind === 'service' && live === true && need.trim() !== '' && context.who.kind === 'person'
    ? { proved: 'kept', proved_by: context.who.name, proved_on: today(context.installation) }
    : { proved: null, proved_by: '', proved_on: null };
}

/** Work waits for a service that was found; nothing else that is found moves it. */
function followService(context: PlanContext, job: string, id: string, { kind, subject }: FindingFields): void {
  if (kind === 'service') context.replan(job, { kind: 'service', service: id, subject, what: 'found', by: '' });
  else context.planStays(job);
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
  writeRequest(context.db, {
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

/** A new area after the one it is taken from, with the same work in it. */
function twin(
  context: CommandContext,
  from: Rows['area'],
  id: string,
  name: string,
  over: Partial<Rows['area']>,
): void {
  const { version: _, position, ...row } = from;
  addAreaAfter(context.db, position, { ...row, id, name, ...over });
  copyTrack(context.db, from.id, id);
}

/** Who decided on site, by name: somebody of the firm, or a crew or sub that works there and says who they are. */
function deciderOf(context: CommandContext, job: string, name: string | undefined): string {
  const { who } = context;
  if (who.kind === 'person') return who.name;
  if (who.kind !== 'link' || !worksAt(context, who, job)) throw notFound('choice', 'id');
  if (!name?.trim()) throw unprocessable('no-name', 'Say who decided: your name is missing.', 'name');
  return name.trim();
}

/** Whether a link belongs to people who work at a job: its crews, or a sub with a step there. */
function worksAt({ db }: CommandContext, link: Extract<CommandContext['who'], { kind: 'link' }>, job: string): boolean {
  if (link.audience === 'crew') return link.job === job;
  const step = `SELECT 1 FROM step JOIN area ON area.id = step.area JOIN sub ON sub.trade = step.trade
    WHERE area.job = @job AND sub.id = @sub`;
  return link.audience === 'sub' && queryOne(db, step, { job, sub: link.sub }) !== undefined;
}

const standingIn = <Row>({ db }: CommandContext, table: 'scope_item' | 'finding', area: string): Row[] =>
  queryAll<Row>(db, `SELECT * FROM ${table} WHERE area = @area AND removed = 0 ORDER BY rowid`, { area });

/** A copy is a line of its own; what a change brought stays with the change. */
function copyLines(context: CommandContext, from: string, to: string): void {
  for (const line of standingIn<Rows['scope_item']>(context, 'scope_item', from))
    addLine(context.db, { ...line, id: uuid(), version: 1, area: to, change_order: null, assembly: null });
}

function copyFindings(context: CommandContext, from: string, to: string): void {
  for (const finding of standingIn<Rows['finding']>(context, 'finding', from))
    insert(context.db, 'finding', { ...finding, id: uuid(), version: 1, area: to });
}

const unitsOf = (context: CommandContext, area: string): LengthSystem =>
  requireRow(context, 'job', requireRow(context, 'area', area).job).units;

function copyLayout(context: CommandContext, from: string, to: string, mirrored: boolean): void {
  const { shape, openings, fixtures: fixtures } = layoutNow(context.installation, from);
  if (!shape) return;
  const copied = mirrored ? mirror(shape, openings, fixtures, unitsOf(context, from)) : { shape, openings, fixtures };
  putShape(context.db, to, copied.shape);
  for (const opening of copied.openings) addOpening(context.db, to, { ...opening, id: uuid() });
  for (const fixture of copied.fixtures) addFixture(context.db, to, { ...fixture, id: uuid() });
}

export const scopeHandlers = handlers({
  'scope.add': (context, { id, job, area, ...item }) => {
    requireAreaOf(context, job, area);
    addLine(context.db, { id, job, area, ...scopeValues(context, job, area, item) });
    context.logFor(job);
  },
  'scope.change': (context, { id, version, ...item }) => {
    const { job, area } = requireVersion(context, 'scope_item', id, version);
    changeLine(context.db, id, scopeValues(context, job, area, item));
    context.logFor(job);
  },
  'scope.add-many': (context, { job, lines }) => {
    lines.forEach(({ id, area, ...item }, index) => {
      requireAreaOf(context, job, area, `lines[${index}].area`);
      addLine(context.db, { id, job, area, ...scopeValues(context, job, area, item) });
    });
    context.logFor(job);
  },
  'finding.add': (context, { id, job, ...finding }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'finding', { id, job, ...findingValues(context, job, finding), ...proofIn(context, finding) });
    if (finding.kind === 'approval') askFor(context, job, finding);
    followService(context, job, id, finding);
  },
  'finding.change': (context, { id, version, ...finding }) => {
    const was = requireVersion(context, 'finding', id, version);
    const { job } = was;
    const proof = proofIn(context, finding);
    // What was proved stays proved while nobody says otherwise of it.
    const keeps = was.proved === 'dead' && finding.live !== true && finding.kind === 'service';
    update(context.db, 'finding', id, {
      ...findingValues(context, job, finding),
      ...(keeps ? {} : proof),
      ...unseenPrices(context, was, 'unit_price'),
    });
    followService(context, job, id, finding);
  },
  'finding.prove': (context, { id, version, state, by, need }) => {
    const row = requireVersion(context, 'finding', id, version);
    if (row.kind !== 'service')
      throw unprocessable('no-service', 'Only a service is live or dead; this is something else.', 'id');
    update(context.db, 'finding', id, {
      proved: state,
      proved_by: by,
      proved_on: today(context.installation),
      live: flag(state === 'kept'),
      ...(need ? { need } : {}),
    });
    context.replan(row.job, { kind: 'service', service: id, subject: row.subject, what: state, by });
  },
  'finding.answer': (context, { id, answer, name }) => {
    const row = requireRow(context, 'finding', id);
    if (row.kind !== 'site-choice' || row.removed)
      throw unprocessable('not-a-choice', 'This is not a choice that is made on site.', 'id');
    if (context.who.kind === 'link' && answer.trim() === '')
      throw unprocessable('no-answer', 'Say how it is done: choose a way, or write another.', 'answer');
    update(context.db, 'finding', id, {
      answer: answer.trim(),
      answered_by: answer.trim() === '' ? '' : deciderOf(context, row.job, name),
      answered_at: answer.trim() === '' ? null : context.at,
    });
    context.logFor(row.job);
  },
  'finding.measure': (context, { id, found }) => {
    const row = requireRow(context, 'finding', id);
    if (row.kind !== 'damage' || row.removed)
      throw unprocessable('no-damage', 'Only damage is measured once it is opened.', 'id');
    const { who } = context;
    update(context.db, 'finding', id, {
      found,
      found_at: context.at,
      found_by: who.kind === 'person' ? who.name : '',
    });
    context.logFor(row.job);
  },
  'salvage.settle': (context, { of, id, version, kept, place }) => {
    if (of === 'scope') {
      const line = requireVersion(context, 'scope_item', id, version);
      if (line.stance !== 'refit' && line.stance !== 'protect')
        throw unprocessable('not-kept', 'Only what is protected or taken down to be refitted has a place.', 'id');
      changeLine(context.db, id, { kept, place: place || line.place });
      return context.logFor(line.job);
    }
    const row = requireVersion(context, 'finding', id, version);
    if (row.kind !== 'salvage' && row.kind !== 'refit')
      throw unprocessable(
        'not-salvage',
        'Only what is kept for use again, or taken down to be refitted, has a place.',
        'id',
      );
    update(context.db, 'finding', id, { kept, place: place || row.place });
    context.logFor(row.job);
  },
  'decision.add': (context, { id, job, area, subject, reason }) => {
    requireRow(context, 'job', job, 'job');
    if (area) requireAreaOf(context, job, area);
    recordDecision(context, { id, job, area: orNull(area), subject, reason });
    context.logFor(job);
  },
  'area.copy': (context, { from, id, name, side, mirrored, parts }) => {
    const row = requireRow(context, 'area', from, 'from');
    needOwnName(context, row.job, name, id);
    twin(context, row, id, name, { side });
    if (parts.includes('scope')) copyLines(context, from, id);
    if (parts.includes('findings')) copyFindings(context, from, id);
    if (parts.includes('layout')) copyLayout(context, from, id, mirrored);
    recalculateArea(context, id);
    context.replan(row.job, { kind: 'copied', area: id, place: name, from: row.name });
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
    needOwnName(context, row.job, name, id);
    needOwnName(context, row.job, secondName, id, 'secondName');
    twin(context, row, secondId, secondName, { size: Math.max(0.1, row.size * part) });
    changeArea(context.db, id, { name, size: Math.max(0.1, row.size * (1 - part)) });
    if (fromSection !== undefined && shape?.kind === 'face') {
      const from = fromSection - 1;
      putShape(context.db, id, { ...shape, sections: shape.sections.slice(0, from) });
      putShape(context.db, secondId, { ...shape, sections: shape.sections.slice(from) });
      for (const opening of openings.filter(({ wall }) => wall >= from))
        changeOpening(context.db, { ...opening, wall: opening.wall - from }, secondId);
    }
    recalculateArea(context, id);
    recalculateArea(context, secondId);
    context.replan(row.job, { kind: 'area', area: id, place: row.name, what: 'split' });
  },
});

const widthFrom = (shape: FaceShape, section: number): number =>
  shape.sections.slice(section).reduce((sum, entry) => sum + entry.width.mm, 0);
