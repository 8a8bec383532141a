import { describe, expect, it } from 'vitest';
import { placeOf, PLACES } from './places';

describe('where an address is', () => {
  it.each([
    ['/', null, null],
    ['/schedule', null, null],
    ['/firm', null, null],
    ['/jobs/new', null, null],
    ['/jobs/abc', 'abc', 'rooms'],
    ['/jobs/abc/areas/kitchen', 'abc', 'rooms'],
    ['/jobs/abc/areas', 'abc', 'rooms'],
    ['/jobs/abc/schedule', 'abc', 'schedule'],
    ['/jobs/abc/walks/w1', 'abc', 'walks'],
    ['/walk/w1', null, null],
  ])('%s', (address, job, place) => {
    expect(placeOf(address)).toEqual({ job, place });
  });

  it('is one of the seven places of a job, in the order of the work', () => {
    expect(PLACES.map((place) => place.label)).toEqual([
      'Rooms',
      'Scope',
      'Selections',
      'Sequence',
      'Schedule',
      'Walks',
      'News',
    ]);
    for (const { name, path } of PLACES) expect(placeOf(path('abc'))).toEqual({ job: 'abc', place: name });
  });
});
