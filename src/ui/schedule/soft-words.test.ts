import fc from 'fast-check';
import { expect, it } from 'vitest';
import { PHASE_KEYS, phaseFacts } from '@/core/sequence/phases';
import { soft } from './soft-words';

it('lets long words break and leaves short ones whole', () => {
  expect(soft('insulation').split('\u00ad').length).toBeGreaterThan(1);
  expect(soft('board and tape')).toBe('board and tape');
  for (const phase of PHASE_KEYS)
    for (const part of soft(phaseFacts(phase).label).split(/[\s\u00ad-]/)) expect(part.length, part).toBeLessThan(11);
});

it('changes nothing that is read', () =>
  fc.assert(
    fc.property(fc.string(), (text) => {
      const plain = text.replaceAll('\u00ad', '');
      expect(soft(plain).replaceAll('\u00ad', '')).toBe(plain);
    }),
  ));
