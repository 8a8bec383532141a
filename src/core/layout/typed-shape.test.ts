import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankShape, readShape, typedOf, type TypedShape } from './typed-shape';

const length = fc.integer({ min: 100, max: 20_000 }).map(String);
const typed: fc.Arbitrary<TypedShape> = fc.oneof(
  fc.record({
    kind: fc.constant('room' as const),
    height: fc.integer({ min: 1_000, max: 20_000 }).map(String),
    spread: fc.boolean(),
    lines: fc.array(fc.tuple(length, fc.integer({ min: -179, max: 179 }).map(String)), { minLength: 3, maxLength: 9 }),
    sizes: fc.constant<string[]>(['', '', '']),
    slopes: fc.array(fc.tuple(fc.constantFrom('1', '2', '3'), fc.integer({ min: 0, max: 999 }).map(String), length), {
      maxLength: 2,
    }),
  }),
  fc.record({
    kind: fc.constant('face' as const),
    height: fc.constant<string>(''),
    spread: fc.constant<boolean>(false),
    lines: fc.array(fc.tuple(length, length, fc.oneof(fc.constant<string>(''), length)), {
      minLength: 1,
      maxLength: 5,
    }),
    sizes: fc.constant<string[]>(['', '', '']),
    slopes: fc.constant<string[][]>([]),
  }),
  fc.record({
    kind: fc.constant('roof' as const),
    height: fc.constant<string>(''),
    spread: fc.constant<boolean>(false),
    lines: fc.constant<string[][]>([]),
    sizes: fc.tuple(length, length, fc.integer({ min: 0, max: 60 }).map(String)),
    slopes: fc.constant<string[][]>([]),
  }),
  fc.record({
    kind: fc.constant('run' as const),
    height: fc.constant<string>(''),
    spread: fc.constant<boolean>(false),
    lines: fc.array(
      fc.tuple(
        length,
        fc.integer({ min: 20, max: 200 }).map((part) => `1:${part}`),
      ),
      {
        minLength: 1,
        maxLength: 5,
      },
    ),
    sizes: fc.tuple(
      fc.integer({ min: -4000, max: 4000 }).map(String),
      fc.integer({ min: -4000, max: 4000 }).map(String),
      fc.constantFrom('', '110', '160'),
    ),
    slopes: fc.constant<string[][]>([]),
  }),
);

const said = (over: Partial<TypedShape>, kind: TypedShape['kind'] = 'room'): unknown =>
  readShape({ ...blankShape(kind), ...over }, 'metric');

describe('a shape as it is typed', () => {
  it('is read, and written as it was typed', () =>
    fc.assert(
      fc.property(typed, (texts) => {
        const read = readShape(texts, 'metric');
        if (!('shape' in read)) throw new Error(`${read.field}: ${read.message}`);
        expect(typedOf(read.shape)).toEqual(texts);
        expect(readShape(typedOf(read.shape), 'metric')).toEqual(read);
      }),
    ));

  it('names the first field that cannot be read, and says what would be right', () => {
    expect(said({})).toEqual({ field: 'line 0 0', message: 'This is missing.' });
    const walls = ['4000', '3000', '4000', '3000'].map((wall) => [wall, '90']);
    const slope = (...texts: string[]): unknown => said({ height: '2600', lines: walls, slopes: [texts] });
    expect(slope('5', '1000', '1500')).toEqual({ field: 'slope 0 0', message: 'Which wall, from 1 to 4.' });
    expect(slope('1', '2600', '1500')).toEqual({
      field: 'slope 0 1',
      message: 'At the wall it is lower than the room: under 2600.',
    });
    expect(said({ lines: [['0', '90']] })).toEqual({ field: 'line 0 0', message: 'A length is over 0.' });
    expect(said({ lines: [['4000', 'left']] })).toMatchObject({
      field: 'line 0 1',
      message: expect.stringContaining('A turn is in degrees') as unknown,
    });
    expect(said({ lines: [['4000', '90']] })).toEqual({ field: 'height', message: 'This is missing.' });
    expect(said({ sizes: ['6000', '9000', 'steep'] }, 'roof')).toMatchObject({ field: 'size 2' });
    expect(said({ sizes: ['-900', '-300', ''], lines: [['8000', 'gentle']] }, 'run')).toEqual({
      field: 'line 0 1',
      message: 'A fall like 1:80, 1.25 % or 1/4 in per ft.',
    });
  });

  it('takes a gable that is not there for none, and a drain below the datum', () => {
    expect(said({ lines: [['5600', '3100', '']] }, 'face')).toMatchObject({
      shape: { sections: [{ gableRise: { mm: 0 } }] },
    });
    expect(said({ sizes: ['-900', '−300', ''], lines: [['8000', '1:80']] }, 'run')).toMatchObject({
      shape: { outletInvert: { mm: -900 }, headMaxInvert: { mm: -300 } },
    });
  });
});
