import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { flag, insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireRow, requireAreaOf, requireStep, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { dropPinsOfParts } from '../schedule/pins';
import { refuseLoop } from './rule-commands';
import { changeStep } from './track';

const nameOf = (context: CommandContext, area: string): { job: string; name: string } =>
  requireRow(context, 'area', area, 'area');

function needSteps(
  context: CommandContext,
  job: string,
  ends: readonly { area: string; phase: Phase }[],
  field: string,
): void {
  ends.forEach(({ area, phase }, index) => {
    requireAreaOf(context, job, area, `${field}[${index}].area`);
    requireStep(context, area, phase, `${field}[${index}].phase`);
  });
}

export const stepHandlers = handlers({
  'step.split': (context, { area, phase, parts }) => {
    const { job, name } = nameOf(context, area);
    requireStep(context, area, phase);
    const { half_days: whole } = queryOne<{ half_days: number }>(
      context.db,
      'SELECT half_days FROM step WHERE area = @area AND phase = @phase',
      { area, phase },
    ) ?? { half_days: 1 };
    const sum = parts.reduce((total, part) => total + part.halfDays, 0);
    if (parts.length > 0 && sum !== whole)
      throw unprocessable(
        'parts-uneven',
        `The parts make ${sum} half-days, and the step has ${whole}; together they have to make the whole.`,
        'parts',
      );
    execute(context.db, 'DELETE FROM step_part WHERE area = @area AND phase = @phase', { area, phase });
    parts.forEach((part, index) =>
      insert(context.db, 'step_part', { area, phase, part: index + 1, label: part.label, half_days: part.halfDays }),
    );
    dropPinsOfParts(context.db, job, `${area}:${phase}`);
    const step = { area, place: name, phase };
    context.replan(
      job,
      parts.length > 0 ? { kind: 'parts', ...step, parts: parts.length } : { kind: 'step', ...step, what: 'joined' },
    );
  },
  'gate.set': (context, { id, job, label, reason, notBefore, before, after, together }) => {
    requireRow(context, 'job', job, 'job');
    needSteps(context, job, before, 'before');
    needSteps(context, job, after, 'after');
    const trades = new Set(
      after.map(
        ({ area, phase }) =>
          queryOne<{ trade: string }>(context.db, 'SELECT trade FROM step WHERE area = @area AND phase = @phase', {
            area,
            phase,
          })?.trade,
      ),
    );
    if (together && trades.size > 1)
      throw unprocessable(
        'trades-differ',
        'One visit is one trade’s: what is joined here belongs to several.',
        'after',
      );
    const other = queryOne<{ job: string }>(context.db, 'SELECT job FROM gate WHERE id = @id', { id });
    if (other && other.job !== job) throw unprocessable('unknown-id', 'This gate is another job’s.', 'id');
    execute(
      context.db,
      `INSERT INTO gate (id, job, label, reason, not_before, together)
        VALUES (@id, @job, @label, @reason, @notBefore, @together)
        ON CONFLICT (id) DO UPDATE SET label = excluded.label, reason = excluded.reason,
          not_before = excluded.not_before, together = excluded.together`,
      { id, job, label, reason, notBefore: orNull(notBefore), together: flag(together) },
    );
    execute(context.db, 'DELETE FROM gate_end WHERE gate = @id', { id });
    for (const [side, ends] of [
      ['before', before],
      ['after', after],
    ] as const)
      ends.forEach(({ area, phase }, place) =>
        execute(
          context.db,
          'INSERT OR IGNORE INTO gate_end (gate, side, place, area, phase) VALUES (@id, @side, @place, @area, @phase)',
          { id, side, place, area, phase },
        ),
      );
    refuseLoop(context, job, 'after');
    context.replan(job, { kind: 'gate', gate: id, label, what: 'set' });
  },
  'gate.drop': (context, { id }) => {
    const gate = queryOne<{ job: string; label: string }>(context.db, 'SELECT job, label FROM gate WHERE id = @id', {
      id,
    });
    if (!gate) throw unprocessable('unknown-id', 'There is no such gate.', 'id');
    execute(context.db, 'DELETE FROM gate WHERE id = @id', { id });
    context.replan(gate.job, { kind: 'gate', gate: id, label: gate.label, what: 'dropped' });
  },
  'step.others': (context, { steps, who, expectedOn }) =>
    steps.forEach(({ area, phase }, index) => {
      const { job, name } = nameOf(context, area);
      requireStep(context, area, phase, `steps[${index}].phase`);
      if (phaseFacts(phase).trade === 'nobody')
        throw unprocessable(
          'nobody-works',
          `${name}, ${phaseFacts(phase).label}: here nobody works, it is a wait already.`,
          `steps[${index}].phase`,
        );
      changeStep(context.db, { area, phase }, { others: who || null, others_on: who ? orNull(expectedOn) : null });
      const step = { area, place: name, phase };
      context.replan(job, who ? { kind: 'others', ...step, who } : { kind: 'step', ...step, what: 'ours' });
    }),
});
