import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PHASE_KEYS } from './phases';
import { extraId, gateId, leftoverId, logisticId, partId, taskId, taskRef } from './site';

describe('the id of a task', () => {
  it('says again what it was made from', () =>
    fc.assert(
      fc.property(fc.uuid(), fc.constantFrom(...PHASE_KEYS), fc.integer({ min: 1, max: 9 }), (id, phase, part) => {
        expect(taskRef(taskId(id, phase))).toEqual({ kind: 'step', area: id, step: phase, phase });
        expect(taskRef(partId(id, phase, part))).toMatchObject({ kind: 'step', area: id, phase, part });
        expect(taskRef(gateId(id))).toMatchObject({ kind: 'gate', step: id });
        expect(taskRef(logisticId(id))).toMatchObject({ kind: 'logistic', step: id });
        expect(taskRef(extraId(id))).toMatchObject({ kind: 'extra', step: id });
        expect(taskRef(leftoverId(id))).toMatchObject({ kind: 'leftover', step: id });
      }),
    ));
});
