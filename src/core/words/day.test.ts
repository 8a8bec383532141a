import { describe, expect, it } from 'vitest';
import { sayBy } from './day';

describe('a day by which something is wanted', () => {
  it('is not said once it is over (D18): a client is asked as soon as they can', () => {
    expect(sayBy('2026-08-24', '2027-03-09')).toBe('as soon as you can');
    expect(sayBy('2027-03-09', '2027-03-09')).toMatch(/^by Tue 9 Mar/);
  });
});
