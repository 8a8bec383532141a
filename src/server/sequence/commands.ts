import {
  addHold,
  addLink,
  changeStep,
  expectHold,
  releaseHold,
  removeLink,
  reopenHold,
} from '@/contract/commands/sites';
import { phaseFacts } from '@/core/sequence/phases';
import { insert, orNull, run } from '../database/query';
import { handler, need, needAreaOf, needVersion, needStep, type Handler } from '../door/handler';
import { unfit } from '../door/refusal';
import { refuseLoop } from './rule-commands';

interface HoldRow {
  version: number;
  job: string;
  label: string;
  state: string;
}

export const sequenceHandlers: Handler[] = [
  handler(changeStep, (visit, { area, phase, trade, halfDays }) => {
    const { job, name } = need<{ job: string; name: string }>(visit, 'area', area, 'area');
    needStep(visit, area, phase, 'phase');
    run(
      visit.db,
      `UPDATE step
        SET trade = @trade, half_days = @halfDays, basis = 'hand'
        WHERE area = @area AND phase = @phase`,
      { area, phase, trade, halfDays },
    );
    visit.mark(job, `${name}: ${phaseFacts(phase).label} changed`);
  }),
  handler(addLink, (visit, { id, job, before, after, reason }) => {
    for (const [end, field] of [
      [before, 'before'],
      [after, 'after'],
    ] as const) {
      needAreaOf(visit, job, end.area, `${field}.area`);
      needStep(visit, end.area, end.phase, `${field}.phase`);
    }
    if (before.area === after.area && before.phase === after.phase)
      throw unfit('sequence-loop', 'Work cannot wait for itself.', 'after');
    insert(visit.db, 'own_link', {
      id,
      job,
      before_area: before.area,
      before_phase: before.phase,
      after_area: after.area,
      after_phase: after.phase,
      reason,
    });
    refuseLoop(visit, job, 'after');
    visit.mark(job, 'an order was agreed');
  }),
  handler(removeLink, (visit, { id }) => {
    const { job } = need<{ job: string }>(visit, 'own_link', id);
    run(visit.db, 'DELETE FROM own_link WHERE id = @id', { id });
    visit.mark(job, 'an agreed order was dropped');
  }),
  handler(addHold, (visit, hold) => {
    needAreaOf(visit, hold.job, hold.area);
    needStep(visit, hold.area, hold.phase, 'phase');
    insert(visit.db, 'hold', {
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
    visit.mark(hold.job, `held: ${hold.label}`);
  }),
  handler(expectHold, (visit, { id, version, expectedOn }) => {
    const hold = needVersion<HoldRow>(visit, 'hold', id, version);
    run(visit.db, 'UPDATE hold SET expected_on = @expectedOn, version = version + 1 WHERE id = @id', {
      id,
      expectedOn,
    });
    visit.mark(hold.job, `${hold.label} is expected on another day`);
  }),
  handler(releaseHold, (visit, { id, version }) => {
    const hold = needVersion<HoldRow>(visit, 'hold', id, version);
    if (hold.state === 'released') throw unfit('released-already', 'This is released already.', 'id');
    run(visit.db, `UPDATE hold SET state = 'released', version = version + 1 WHERE id = @id`, { id });
    visit.mark(hold.job, `${hold.label} was released`);
  }),
  handler(reopenHold, (visit, { id, version }) => {
    const hold = needVersion<HoldRow>(visit, 'hold', id, version);
    if (hold.state === 'open') throw unfit('open-already', 'This is open.', 'id');
    run(visit.db, `UPDATE hold SET state = 'open', version = version + 1 WHERE id = @id`, { id });
    visit.mark(hold.job, `${hold.label} holds again`);
  }),
];
