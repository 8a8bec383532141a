import { addLogistic, dropGate, giveToOthers, setGate, settleLogistic, splitStep } from '@/contract/commands/schedule';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { flag, insert, one, orNull, run, update } from '../database/query';
import { handler, need, needAreaOf, needStep, needVersion, type Handler, type Visit } from '../door/handler';
import { unfit } from '../door/refusal';
import { refuseLoop } from './rule-commands';

const nameOf = (visit: Visit, area: string): { job: string; name: string } =>
  need<{ job: string; name: string }>(visit, 'area', area, 'area');

function needSteps(visit: Visit, job: string, ends: readonly { area: string; phase: Phase }[], field: string): void {
  ends.forEach(({ area, phase }, at) => {
    needAreaOf(visit, job, area, `${field}[${at}].area`);
    needStep(visit, area, phase, `${field}[${at}].phase`);
  });
}

export const stepHandlers: Handler[] = [
  handler(splitStep, (visit, { area, phase, parts }) => {
    const { job, name } = nameOf(visit, area);
    needStep(visit, area, phase);
    const { half_days: whole } = one<{ half_days: number }>(
      visit.db,
      'SELECT half_days FROM step WHERE area = @area AND phase = @phase',
      { area, phase },
    ) ?? { half_days: 1 };
    const sum = parts.reduce((total, part) => total + part.halfDays, 0);
    if (parts.length > 0 && sum !== whole)
      throw unfit(
        'parts-uneven',
        `The parts make ${sum} half-days, and the step has ${whole}; together they have to make the whole.`,
        'parts',
      );
    run(visit.db, 'DELETE FROM step_part WHERE area = @area AND phase = @phase', { area, phase });
    parts.forEach((part, at) =>
      insert(visit.db, 'step_part', { area, phase, part: at + 1, label: part.label, half_days: part.halfDays }),
    );
    // What was pinned of the former parts is no more.
    run(visit.db, `DELETE FROM pin WHERE job = @job AND task LIKE @tasks`, { job, tasks: `${area}:${phase}~%` });
    visit.mark(
      job,
      `${name}: ${phaseFacts(phase).label} ${parts.length > 0 ? `in ${parts.length} parts` : 'in one piece again'}`,
    );
  }),
  handler(setGate, (visit, { id, job, label, reason, notBefore, before, after, together }) => {
    need(visit, 'job', job, 'job');
    needSteps(visit, job, before, 'before');
    needSteps(visit, job, after, 'after');
    const trades = new Set(
      after.map(
        ({ area, phase }) =>
          one<{ trade: string }>(visit.db, 'SELECT trade FROM step WHERE area = @area AND phase = @phase', {
            area,
            phase,
          })?.trade,
      ),
    );
    if (together && trades.size > 1)
      throw unfit('trades-differ', 'One visit is one trade’s: what is joined here belongs to several.', 'after');
    const other = one<{ job: string }>(visit.db, 'SELECT job FROM gate WHERE id = @id', { id });
    if (other && other.job !== job) throw unfit('unknown-id', 'This gate is another job’s.', 'id');
    run(
      visit.db,
      `INSERT INTO gate (id, job, label, reason, not_before, together)
        VALUES (@id, @job, @label, @reason, @notBefore, @together)
        ON CONFLICT (id) DO UPDATE SET label = excluded.label, reason = excluded.reason,
          not_before = excluded.not_before, together = excluded.together`,
      { id, job, label, reason, notBefore: orNull(notBefore), together: flag(together) },
    );
    run(visit.db, 'DELETE FROM gate_end WHERE gate = @id', { id });
    for (const [side, ends] of [
      ['before', before],
      ['after', after],
    ] as const)
      ends.forEach(({ area, phase }, place) =>
        run(
          visit.db,
          'INSERT OR IGNORE INTO gate_end (gate, side, place, area, phase) VALUES (@id, @side, @place, @area, @phase)',
          { id, side, place, area, phase },
        ),
      );
    refuseLoop(visit, job, 'after');
    visit.mark(job, `${label} was set`);
  }),
  handler(dropGate, (visit, { id }) => {
    const gate = one<{ job: string; label: string }>(visit.db, 'SELECT job, label FROM gate WHERE id = @id', { id });
    if (!gate) throw unfit('unknown-id', 'There is no such gate.', 'id');
    run(visit.db, 'DELETE FROM gate WHERE id = @id', { id });
    visit.mark(gate.job, `${gate.label} was dropped`);
  }),
  handler(giveToOthers, (visit, { area, phase, who, expectedOn }) => {
    const { job, name } = nameOf(visit, area);
    needStep(visit, area, phase);
    if (phaseFacts(phase).trade === 'nobody')
      throw unfit('nobody-works', 'Here nobody works: it is a wait already.', 'phase');
    run(visit.db, 'UPDATE step SET others = @who, others_on = @on WHERE area = @area AND phase = @phase', {
      area,
      phase,
      who: who || null,
      on: who ? orNull(expectedOn) : null,
    });
    visit.mark(
      job,
      who
        ? `${name}: ${phaseFacts(phase).label} is done by ${who}`
        : `${name}: ${phaseFacts(phase).label} is ours again`,
    );
  }),
  handler(addLogistic, (visit, { id, job, kind, label, area, phase, leadDays }) => {
    needAreaOf(visit, job, area);
    needStep(visit, area, phase, 'phase');
    insert(visit.db, 'logistic', { id, job, kind, label, area, phase, lead_days: leadDays, state: 'open' });
    visit.mark(job, `${label} has to be there`);
  }),
  handler(settleLogistic, (visit, { id, version, state, bookedOn }) => {
    const row = needVersion<{ version: number; job: string; label: string }>(visit, 'logistic', id, version);
    update(visit.db, 'logistic', id, { state, booked_on: state === 'booked' ? orNull(bookedOn) : null });
    visit.mark(
      row.job,
      `${row.label}: ` +
        `${state === 'here' ? 'is there' : state}${state === 'booked' && bookedOn ? ` for ${formatDay(bookedOn)}` : ''}`,
    );
  }),
];
