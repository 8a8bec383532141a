import { describe, expect, it } from 'vitest';
import { placeOf, PLACES } from './places';

describe('where an address is', () => {
  it.each([
    ['/', null, ''],
    ['/schedule', null, ''],
    ['/firm', null, ''],
    ['/jobs/new', null, ''],
    ['/jobs/abc', 'abc', ''],
    ['/jobs/abc/areas/kitchen', 'abc', ''],
    ['/jobs/abc/set-out', 'abc', ''],
    ['/jobs/abc/schedule', 'abc', '/schedule'],
    ['/jobs/abc/walks/w1', 'abc', '/walks'],
    ['/walk/w1', null, ''],
  ])('%s', (address, job, place) => {
    expect(placeOf(address)).toEqual({ job, place });
  });

  it('is one of the seven places of a job, in the order of the work', () => {
    expect(PLACES.map((one) => one.label)).toEqual([
      'Rooms',
      'Scope',
      'Selections',
      'Sequence',
      'Schedule',
      'Walks',
      'Updates',
    ]);
    for (const { path } of PLACES) expect(placeOf(`/jobs/abc${path}`)).toEqual({ job: 'abc', place: path });
  });
});
