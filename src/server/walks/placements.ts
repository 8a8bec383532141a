import { type Became } from '@/contract/commands/walks';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Stance } from '@/core/sites/area';
import { addDays } from '@/core/units/day';
import { UNPLACED_KINDS, type Of, type UnplacedKind } from '@/core/walks/observation';
import { today } from '../zone';
import { all, insert, one, run } from '../database/query';
import { handlers, need, type CommandContext } from '../door/handler';
import { unfit } from '../door/refusal';
import { personOf } from '../scope/decisions';
import { shaped } from './queries';

type Placeable = Of<UnplacedKind>;

const VERBS: Record<Stance, string> = {
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

/** The step that comes next in an area: what is found there is settled before or with it. */
function nextStep(context: CommandContext, area: string): { phase: Phase; trade: Trade } {
  const steps = all<{ phase: Phase; trade: Trade; fraction: number | null }>(
    context.db,
    `SELECT phase, trade, (SELECT fraction FROM observation WHERE observation.area = step.area AND kind = 'progress'
        AND observation.phase = step.phase ORDER BY at DESC, id DESC LIMIT 1) AS fraction
      FROM step
      WHERE area = @area`,
    { area },
  ).sort((a, b) => phaseOrder(a.phase) - phaseOrder(b.phase));
  const next = steps.find((step) => (step.fraction ?? 0) < 1 && step.trade !== 'nobody') ?? steps.at(-1);
  if (!next) throw unfit('no-work', 'No work is agreed in this area yet; put its works in first.', 'about');
  return next;
}

const MAKERS: Record<Exclude<Became, 'remark'>, (context: CommandContext, seen: Placeable, id: string) => void> = {
  scope: (context, seen, id) => {
    const stance = seen.kind === 'scope' ? seen.stance : seen.kind === 'assumption' ? 'conditional' : 'in';
    insert(context.db, 'scope_item', {
      id,
      job: seen.job,
      area: seen.area,
      stance,
      verb: VERBS[stance],
      subject: seen.text.slice(0, 200),
      quantity: null,
      unit: null,
      trade: null,
      depends_on: '',
    });
  },
  assumption: (context, seen, id) => {
    const step = nextStep(context, seen.area);
    insert(context.db, 'assumption', {
      id,
      job: seen.job,
      area: seen.area,
      phase: step.phase,
      text: seen.text.slice(0, 300),
      why: 'said on a walk',
      fallback: (seen.kind === 'assumption' && seen.fallback) || 'look at it again and decide',
      fallback_trade: step.trade === 'nobody' ? 'carpentry' : step.trade,
      fallback_half_days: FIRST_GUESS,
      fallback_price: 0,
      state: 'open',
    });
  },
  change: (context, seen, id) => {
    const step = nextStep(context, seen.area);
    const number =
      (one<{ last: number | null }>(context.db, 'SELECT max(number) AS last FROM change_order WHERE job = @job', {
        job: seen.job,
      })?.last ?? 0) + 1;
    insert(context.db, 'change_order', {
      id,
      job: seen.job,
      area: seen.area,
      number,
      kind: 'addition',
      title: seen.text.slice(0, 120),
      why: 'found on a walk',
      lines: JSON.stringify([
        { verb: 'put right', subject: seen.text.slice(0, 120), quantity: 1, unit: 'lot', unitPrice: 0 },
      ]),
      markup: 0,
      tax_rate: 0,
      work: JSON.stringify({
        trade: step.trade === 'nobody' ? 'carpentry' : step.trade,
        halfDays: FIRST_GUESS,
        after: step.phase,
      }),
      drops: '[]',
      omits: '[]',
      state: 'draft',
    });
  },
  wait: (context, seen, id) => {
    const step = nextStep(context, seen.area);
    const kind = /engineer/i.test(seen.text)
      ? 'engineer'
      : /client|she|he\b|they/i.test(seen.text) && seen.kind !== 'gate'
        ? 'client'
        : seen.kind === 'gate'
          ? 'inspection'
          : 'unknown';
    const days = seen.kind === 'order' ? (seen.days ?? USUAL_ANSWER_DAYS) : USUAL_ANSWER_DAYS;
    insert(context.db, 'hold', {
      id,
      job: seen.job,
      area: seen.area,
      phase: step.phase,
      kind,
      label: phaseFacts(step.phase).label.slice(0, 24),
      text: seen.text.slice(0, 300),
      asked_on: null,
      expected_on: addDays(today(context.house), days),
      state: 'open',
    });
  },
  selection: (context, seen, id) => {
    const step = nextStep(context, seen.area);
    const choice = seen.kind === 'selection' ? (seen.choice ?? '') : '';
    insert(context.db, 'selection', {
      id,
      job: seen.job,
      area: seen.area,
      phase: step.phase,
      category: seen.text.slice(0, 60),
      choice: choice.slice(0, 200),
      lead_low: 14,
      lead_high: 14,
      state: choice ? 'chosen' : 'open',
    });
  },
};

/** What a placement made, so that taking it back takes it away. */
const TABLES: Record<Exclude<Became, 'remark'>, { table: string; gone: string; still: string }> = {
  scope: { table: 'scope_item', gone: 'removed = 1', still: 'removed = 0' },
  assumption: { table: 'assumption', gone: 'removed = 1', still: `removed = 0 AND state = 'open'` },
  selection: { table: 'selection', gone: 'removed = 1', still: `removed = 0 AND state IN ('open', 'chosen')` },
  change: { table: 'change_order', gone: `state = 'declined'`, still: `state = 'draft'` },
  wait: { table: 'hold', gone: `state = 'released'`, still: `state = 'open'` },
};

export const placementHandlers = handlers({
  'observation.place': (context, { about, became, target }) => {
    const row = need<Record<string, unknown>>(context, 'observation', about, 'about');
    const seen = shaped(row);
    if (!(UNPLACED_KINDS as readonly string[]).includes(seen.kind))
      throw unfit('placed-by-itself', 'This record has its place already.', 'about');
    if (one(context.db, 'SELECT 1 FROM placement WHERE observation = @about', { about }))
      throw unfit('placed-already', 'This was put in its place already.', 'about');
    if (became !== 'remark') MAKERS[became](context, seen as Placeable, target);
    insert(context.db, 'placement', {
      observation: about,
      became,
      target: became === 'remark' ? null : target,
      at: context.at,
      person: personOf(context),
    });
    if (became === 'remark' || became === 'change') context.planStays(seen.job);
    else context.replan(seen.job, `what a walk found became a ${became}`);
  },
  'observation.unplace': (context, { about }) => {
    const seen = need<{ job: string }>(context, 'observation', about, 'about');
    const placed = one<{ became: Became; target: string | null }>(
      context.db,
      'SELECT became, target FROM placement WHERE observation = @about',
      { about },
    );
    if (!placed) throw unfit('not-placed', 'This was not put anywhere yet.', 'about');
    if (placed.became !== 'remark' && placed.target) {
      const { table, gone, still } = TABLES[placed.became];
      if (
        run(context.db, `UPDATE ${table} SET ${gone}, version = version + 1 WHERE id = @id AND ${still}`, {
          id: placed.target,
        }) === 0
      )
        throw unfit('followed-already', 'Something followed from it already; change it in its place.', 'about');
    }
    run(context.db, 'DELETE FROM placement WHERE observation = @about', { about });
    context.replan(seen.job, 'what a walk found is open again');
  },
});
