import { describe, expect, it } from 'vitest';
import { sayLicence } from '../words/licence';
import { licenceOn, type Licence } from './licence';

const petra: Licence = { trade: 'wiring', holder: 'Petra', number: 'E 778', expiresOn: '2027-03-18' };
const today = '2027-03-09';
const said = (until: string, theirs: readonly Licence[]): string =>
  sayLicence(licenceOn('wiring', until, theirs), today);

describe('the licence that work needs', () => {
  it('holds up to its last day, and is missing for the day after', () => {
    expect(said('2027-03-18', [petra])).toBe('licence of Petra, No. E 778, until Thu 18 Mar');
    expect(said('2027-03-19', [petra])).toBe('the licence of Petra runs out Thu 18 Mar, before this is finished');
    expect(sayLicence(licenceOn('wiring', '2027-03-25', [petra]), '2027-03-22')).toBe(
      'the licence of Petra ran out Thu 18 Mar: ask for the new one',
    );
  });

  it('is the one of several that holds longest, of that trade alone', () => {
    const joss: Licence = { ...petra, holder: 'Joss', number: '', expiresOn: null };
    expect(said('2027-06-01', [petra, joss])).toBe('licence of Joss');
    expect(said('2027-03-10', [{ ...petra, trade: 'gas' }])).toMatch(/^needs a licence, and none of theirs/);
  });
});
