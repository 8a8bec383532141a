import type { InferType } from 'yup';
import { type fileObservation, type FiledAs } from '@/contract/commands/walks';
import { ABOUT_ALL } from '@/core/scope/finding';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import type { Trade } from '@/core/sequence/trades';
import type { Inclusion } from '@/core/sites/area';
import { addDays } from '@/core/units/day';
import { UNFILED_KINDS, type Of, type UnplacedKind } from '@/core/walks/observation';
import { today } from '../zone';
import type { HoldKind } from '@/contract/commands/sites';
import { insert, queryOne, execute } from '../database/query';
import { carryOut, handlers, requireRow, type CommandContext, type PlanContext, personOf } from '../door/handler';
import { assumptionHandlers } from '../scope/assumptions';
import { changeHandlers, dropDraftChange } from '../scope/changes';
import { scopeHandlers } from '../scope/commands';
import { takeAwayHandlers } from '../scope/take-away';
import { selectionHandlers } from '../selections/commands';
import { sequenceHandlers } from '../sequence/commands';
import { unprocessable } from '../refusal';
import { stepsByArea } from '../reading/job';
import { uuid } from '../database/id';
import { readJob } from '../reading/reading';
import { shaped } from '../reading/records';
import { progressOf } from '../reading/standing';

type Placeable = Of<UnplacedKind>;

const VERBS: Record<Inclusion, string> = {
  in: 'do',
  out: 'leave',
  conditional: 'decide on',
  protect: 'protect',
  'keep-live': 'keep live',
  refit: 'take down and refit',
};

/** Days an answer takes where nobody has said. */
const USUAL_ANSWER_DAYS = 7;
/** Half-days of work that nobody has estimated yet. */
const FIRST_GUESS = 2;
/** Days that a thing takes to come where no supplier was named yet. */
const USUAL_LEAD_DAYS = 14;

/** The step that comes next in an area: what is found there is settled before or with it. */
function nextStep(context: CommandContext, area: string): { phase: Phase; trade: Trade } {
  const { job } = requireRow(context, 'area', area, 'about');
  const state = readJob(context.installation, job);
  const steps = (stepsByArea(state).get(area) ?? [])
    .map(({ phase, trade }) => ({ phase, trade, fraction: progressOf(state).get(taskId(area, phase))?.fraction ?? 0 }))
    .sort((a, b) => phaseOrder(a.phase) - phaseOrder(b.phase));
  const next = steps.find((step) => step.fraction < 1 && step.trade !== 'nobody') ?? steps.at(-1);
  if (!next) throw unprocessable('no-work', 'No work is agreed in this area yet; put its works in first.', 'about');
  return next;
}

/** What whoever files it says besides. */
interface Said {
  party?: HoldKind | undefined;
  price?: number | undefined;
  halfDays?: number | undefined;
  line?: InferType<typeof fileObservation.schema>['line'];
  finding?: InferType<typeof fileObservation.schema>['finding'];
}
type Maker = (context: PlanContext, seen: Placeable, id: string, said: Said) => void;

/** Each goes in by the rules of its own subject, as if it had been typed there. */
const MAKERS: Record<Exclude<FiledAs, 'remark'>, Maker> = {
  scope: (context, seen, id, { line }) => {
    const where = { id, job: seen.job, area: seen.area };
    if (line) return carryOut(context, 'scope.add', scopeHandlers['scope.add'], { ...where, ...line });
    const stance = seen.kind === 'scope' ? seen.stance : seen.kind === 'assumption' ? 'conditional' : 'in';
    carryOut(context, 'scope.add', scopeHandlers['scope.add'], {
      ...where,
      stance,
      verb: VERBS[stance],
      subject: seen.text.slice(0, 200),
    });
  },
  finding: (context, seen, id, { finding }) => {
    if (!finding) throw unprocessable('no-finding', 'Say what kind of finding it is.', 'finding');
    const { job, area } = seen;
    const where = ABOUT_ALL.includes(finding.kind) ? {} : { area };
    carryOut(context, 'finding.add', scopeHandlers['finding.add'], { id, job, ...where, ...finding });
  },
  assumption: (context, seen, id) => {
    const step = nextStep(context, seen.area);
    carryOut(context, 'assumption.add', assumptionHandlers['assumption.add'], {
      id,
      job: seen.job,
      area: seen.area,
      phase: step.phase,
      text: seen.text.slice(0, 300),
      why: 'said on a walk',
      fallback: (seen.kind === 'assumption' && seen.fallback) || 'look at it again and decide',
      fallbackTrade: step.trade === 'nobody' ? 'carpentry' : step.trade,
      fallbackHalfDays: FIRST_GUESS,
      fallbackPrice: 0,
    });
  },
  change: (context, seen, id, { price, halfDays = FIRST_GUESS }) => {
    const step = nextStep(context, seen.area);
    const title = seen.text.slice(0, 120);
    carryOut(context, 'change.add', changeHandlers['change.add'], {
      id,
      job: seen.job,
      kind: 'addition',
      title,
      why: 'found on a walk',
      lines: [
        {
          id: uuid(),
          area: seen.area,
          verb: 'put right',
          subject: title,
          quantity: 1,
          unit: 'lot',
          ...(price === undefined ? {} : { unitPrice: price }),
          trade: step.trade === 'nobody' ? 'carpentry' : step.trade,
          halfDays,
          after: step.phase,
        },
      ],
      from: { of: 'observation', id: seen.id },
    });
  },
  wait: (context, seen, id, { party }) => {
    if (!party) throw unprocessable('no-party', 'Say whom it waits for.', 'party');
    const step = nextStep(context, seen.area);
    const days = seen.kind === 'order' ? (seen.days ?? USUAL_ANSWER_DAYS) : USUAL_ANSWER_DAYS;
    carryOut(context, 'hold.add', sequenceHandlers['hold.add'], {
      id,
      job: seen.job,
      area: seen.area,
      phase: step.phase,
      kind: party,
      label: phaseFacts(step.phase).label.slice(0, 24),
      text: seen.text.slice(0, 300),
      expectedOn: addDays(today(context.installation), days),
    });
  },
  selection: (context, seen, id) => {
    const choice = seen.kind === 'selection' ? (seen.choice ?? '') : '';
    carryOut(context, 'selection.add', selectionHandlers['selection.add'], {
      id,
      job: seen.job,
      area: seen.area,
      phase: nextStep(context, seen.area).phase,
      category: seen.text.slice(0, 60),
      choice: choice.slice(0, 200),
      leadLow: USUAL_LEAD_DAYS,
      leadHigh: USUAL_LEAD_DAYS,
      state: choice ? 'chosen' : 'open',
    });
  },
};

/** What a placement made, and until when taking it back takes it away: nothing may have followed from it. */
const STILL_AS_MADE: Record<Exclude<FiledAs, 'remark'>, { table: string; still: string }> = {
  scope: { table: 'scope_item', still: 'removed = 0' },
  finding: { table: 'finding', still: 'removed = 0' },
  assumption: { table: 'assumption', still: `removed = 0 AND state = 'open'` },
  selection: { table: 'selection', still: `removed = 0 AND state IN ('open', 'chosen')` },
  change: { table: 'change_order', still: `state = 'draft'` },
  wait: { table: 'hold', still: `state = 'open'` },
};

function takeAway(context: PlanContext, filedAs: Exclude<FiledAs, 'remark'>, id: string): void {
  const { table, still } = STILL_AS_MADE[filedAs];
  const row = queryOne<{ version: number }>(context.db, `SELECT version FROM ${table} WHERE id = @id AND ${still}`, {
    id,
  });
  if (!row)
    throw unprocessable('followed-already', 'Something followed from it already; change it in its place.', 'about');
  const { version } = row;
  if (filedAs === 'wait') carryOut(context, 'hold.release', sequenceHandlers['hold.release'], { id, version });
  else if (filedAs === 'change') dropDraftChange(context, id);
  else carryOut(context, 'line.remove', takeAwayHandlers['line.remove'], { of: filedAs, id });
}

export const filingHandlers = handlers({
  'observation.file': (context, { about, filedAs, target, ...said }) => {
    const row = requireRow(context, 'observation', about, 'about');
    const seen = shaped(row);
    if (!(UNFILED_KINDS as readonly string[]).includes(seen.kind))
      throw unprocessable('placed-by-itself', 'This record has its place already.', 'about');
    if (!queryOne(context.db, 'SELECT 1 FROM standing_observation WHERE id = @about', { about }))
      throw unprocessable('withdrawn', 'This record was taken back; there is nothing to put anywhere.', 'about');
    if (queryOne(context.db, 'SELECT 1 FROM filing WHERE observation = @about', { about }))
      throw unprocessable('placed-already', 'This was put in its place already.', 'about');
    if (filedAs !== 'remark') MAKERS[filedAs](context, seen as Placeable, target, said);
    insert(context.db, 'filing', {
      observation: about,
      filed_as: filedAs,
      target: filedAs === 'remark' ? null : target,
      at: context.at,
      person: personOf(context),
    });
    // Where a plan is made from it, its own subject has said so.
    context.planStays(seen.job);
  },
  'observation.unfile': (context, { about }) => {
    const seen = requireRow(context, 'observation', about, 'about');
    const placed = queryOne<{ filedAs: FiledAs; target: string | null }>(
      context.db,
      'SELECT filed_as AS filedAs, target FROM filing WHERE observation = @about',
      { about },
    );
    if (!placed) throw unprocessable('not-placed', 'This was not put anywhere yet.', 'about');
    if (placed.filedAs !== 'remark' && placed.target) takeAway(context, placed.filedAs, placed.target);
    execute(context.db, 'DELETE FROM filing WHERE observation = @about', { about });
    context.planStays(seen.job);
  },
});
