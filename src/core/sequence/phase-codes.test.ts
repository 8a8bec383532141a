import { describe, expect, it } from 'vitest';
import { phaseCode } from './phase-codes';
import { PHASE_KEYS, shortLabel } from './phases';

describe('codes of steps', () => {
  it('are two letters each, no two alike, and begin as the step is called', () => {
    const codes = PHASE_KEYS.map(phaseCode);
    for (const code of codes) expect(code).toMatch(/^[A-Z][a-z]$/);
    expect(new Set(codes).size).toBe(PHASE_KEYS.length);
    for (const phase of PHASE_KEYS)
      expect(phaseCode(phase)[0]?.toLowerCase()).toBe(
        shortLabel(phase)
          .toLowerCase()
          .replace(/[^a-z]/g, '')[0],
      );
  });
});
