import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSm } from './sm-file';

interface Instance {
  capacities: number[];
  jobs: { duration: number; asks: number[]; followers: number[] }[];
}

/** Jobs are followed by later ones alone, so that nothing goes round. */
const instances: fc.Arbitrary<Instance> = fc
  .record({
    capacities: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }),
    count: fc.integer({ min: 1, max: 12 }),
  })
  .chain(({ capacities, count }) =>
    fc
      .tuple(
        ...Array.from({ length: count }, (_, job) =>
          fc.record({
            duration: fc.nat(9),
            asks: fc.tuple(...capacities.map((capacity) => fc.nat(capacity))),
            followers:
              job === count - 1
                ? fc.constant([] as number[])
                : fc.uniqueArray(fc.integer({ min: job + 1, max: count - 1 }), { maxLength: 3 }),
          }),
        ),
      )
      .map((jobs) => ({ capacities, jobs })),
  );

/** An instance as the public format has it. */
const written = ({ capacities, jobs }: Instance): string =>
  [
    'PRECEDENCE RELATIONS:',
    'jobnr.    #modes  #successors   successors',
    ...jobs.map(({ followers }, job) =>
      [`  ${job + 1}`, 1, followers.length, ...followers.map((follower) => follower + 1)].join('  '),
    ),
    '*******',
    'REQUESTS/DURATIONS:',
    'jobnr. mode duration  R 1',
    '-------',
    ...jobs.map(({ duration, asks }, job) => [`  ${job + 1}`, 1, duration, ...asks].join('  ')),
    '*******',
    'RESOURCEAVAILABILITIES:',
    capacities.map((_, resource) => `R ${resource + 1}`).join(' '),
    capacities.join(' '),
    '*******',
  ].join('\n');

describe('a project from a file', () => {
  it('is what was written', () => {
    fc.assert(
      fc.property(instances, (instance) => {
        const read = readSm(written(instance));
        expect(read).toMatchObject({ ok: true });
        if (!read.ok) return;
        expect([...read.value.duration]).toEqual(instance.jobs.map((job) => job.duration));
        expect([...read.value.capacity]).toEqual(instance.capacities);
        expect([...read.value.demand]).toEqual(instance.jobs.flatMap((job) => job.asks));
        expect(read.value.after.map((list) => [...list])).toEqual(instance.jobs.map((job) => job.followers));
      }),
    );
  });

  it('reads the same with the line ends of another system', () => {
    fc.assert(
      fc.property(instances, (instance) => {
        const text = written(instance);
        expect(readSm(text.replaceAll('\n', '\r\n'))).toEqual(readSm(text));
      }),
    );
  });

  it('cut off anywhere is refused or whole, and never throws', () => {
    fc.assert(
      fc.property(instances, fc.nat(), (instance, cut) => {
        const text = written(instance);
        const read = readSm(text.slice(0, cut % text.length));
        if (!read.ok) expect(read.problem.message.length).toBeGreaterThan(10);
        else expect(read.value.duration).toHaveLength(instance.jobs.length);
      }),
    );
  });

  it('of any letters at all is refused', () => {
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => !readSm(text).ok));
  });

  it.each([
    ['a job out of turn', (text: string) => text.replace(/^ {2}2 {2}1/m, '  7  1'), /Line \d+: job 2 is expected here/],
    ['two modes', (text: string) => text.replace(/^ {2}1 {2}1/m, '  1  2'), /Line 3: job 1 has 2 modes; one is read/],
    ['a wrong count', (text: string) => text.replace(/^ {2}1 {2}1 {2}1/m, '  1  1  5'), /names 1 followers and says 5/],
    [
      'no capacities',
      (text: string) => text.replace(/RESOURCEAVAILABILITIES:/, ''),
      /RESOURCEAVAILABILITIES is missing/,
    ],
    ['half a resource', (text: string) => text.replace(/^4 2$/m, '4 2.5'), /must be whole numbers/],
    ['a request too few', (text: string) => text.replace(/^ {2}2 {2}1 {2}3 {2}1 {2}1$/m, '  2  1  3  1'), /2 requests/],
    [
      'more than there is',
      (text: string) => text.replace(/^ {2}2 {2}1 {2}3 {2}1 {2}1$/m, '  2  1  3  9  1'),
      /there are 4/,
    ],
  ])('with %s says where', (_, spoil, words) => {
    const text = written({
      capacities: [4, 2],
      jobs: [
        { duration: 2, asks: [1, 0], followers: [1] },
        { duration: 3, asks: [1, 1], followers: [] },
      ],
    });
    const spoiled = spoil(text);
    expect(spoiled).not.toBe(text);
    const read = readSm(spoiled);
    expect(read.ok ? '' : read.problem.message).toMatch(words);
  });
});
