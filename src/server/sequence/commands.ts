import type { Cause } from '@/core/schedule/cause';
import type { Phase } from '@/core/sequence/phases';
import type { Day } from '@/core/units/day';
import { insert, orNull, execute } from '../database/query';
import { handlers, requireRow, requireAreaOf, requireVersion, requireStep, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { refuseLoop } from './rule-commands';
import { changeStep } from './track';

const placeOf = (context: CommandContext, area: string): string => requireRow(context, 'area', area, 'area').name;

type End = { area: string; phase: Phase };
const orderCause = (
  context: CommandContext,
  what: 'agreed' | 'dropped',
  before: End,
  after: End,
  why: string,
): Cause => ({
  kind: 'order',
  what,
  before: { ...before, place: placeOf(context, before.area) },
  after: { ...after, place: placeOf(context, after.area) },
  why,
});

const holdCause = (
  context: CommandContext,
  { area, phase, label }: End & { label: string },
  what: 'held' | 'moved' | 'released',
  expected: Day,
): Cause => ({ kind: 'hold', area, place: placeOf(context, area), phase, label, what, expected });

export const sequenceHandlers = handlers({
  'step.change': (context, { area, phase, trade, halfDays }) => {
    const { job, name } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, phase, 'phase');
    changeStep(context.db, { area, phase }, { trade, half_days: halfDays, basis: 'hand' });
    context.replan(job, { kind: 'step', area, place: name, phase, what: 'changed' });
  },
  'link.add': (context, { id, job, before, after, reason }) => {
    for (const [end, field] of [
      [before, 'before'],
      [after, 'after'],
    ] as const) {
      requireAreaOf(context, job, end.area, `${field}.area`);
      requireStep(context, end.area, end.phase, `${field}.phase`);
    }
    if (before.area === after.area && before.phase === after.phase)
      throw unprocessable('sequence-loop', 'Work cannot wait for itself.', 'after');
    insert(context.db, 'own_link', {
      id,
      job,
      before_area: before.area,
      before_phase: before.phase,
      after_area: after.area,
      after_phase: after.phase,
      reason,
    });
    refuseLoop(context, job, 'after');
    context.replan(job, orderCause(context, 'agreed', before, after, reason));
  },
  'link.remove': (context, { id }) => {
    const row = requireRow(context, 'own_link', id);
    execute(context.db, 'DELETE FROM own_link WHERE id = @id', { id });
    context.replan(
      row.job,
      orderCause(
        context,
        'dropped',
        { area: row.before_area, phase: row.before_phase },
        { area: row.after_area, phase: row.after_phase },
        row.reason,
      ),
    );
  },
  'hold.add': (context, hold) => {
    requireAreaOf(context, hold.job, hold.area);
    requireStep(context, hold.area, hold.phase, 'phase');
    insert(context.db, 'hold', {
      id: hold.id,
      job: hold.job,
      area: hold.area,
      phase: hold.phase,
      kind: hold.kind,
      label: hold.label,
      text: hold.text,
      asked_on: orNull(hold.askedOn),
      expected_on: hold.expectedOn,
      state: 'open',
    });
    context.replan(hold.job, holdCause(context, hold, 'held', hold.expectedOn));
  },
  'hold.expect': (context, { id, version, expectedOn }) => {
    const hold = requireVersion(context, 'hold', id, version);
    execute(context.db, 'UPDATE hold SET expected_on = @expectedOn, version = version + 1 WHERE id = @id', {
      id,
      expectedOn,
    });
    context.replan(hold.job, holdCause(context, hold, 'moved', expectedOn));
  },
  'hold.release': (context, { id, version }) => {
    const hold = requireVersion(context, 'hold', id, version);
    if (hold.state === 'released') throw unprocessable('released-already', 'This is released already.', 'id');
    execute(context.db, `UPDATE hold SET state = 'released', version = version + 1 WHERE id = @id`, { id });
    context.replan(hold.job, holdCause(context, hold, 'released', hold.expected_on));
  },
});
