import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCsv, writeCsv } from './csv';
import { areaCell, choiceCell, countCell, leadCells, priceCell, quantityCell, wordsCell } from './csv-cells';

/** What a list of one column says of one cell. */
function told<Value>(
  read: (typed: string) => Value,
  typed: string,
): { value: Value } | { column: string; says: string } {
  const { rows, problems } = readCsv<{ value: Value }, 'cell'>(writeCsv(['cell'], [[typed]]), {
    columns: { cell: true },
    read: ({ cell }) => ({ value: read(cell) }),
  });
  const [problem] = problems;
  return problem ? { column: problem.column ?? '', says: problem.message } : { value: rows[0]?.value as Value };
}

describe('a cell of a list', () => {
  it.each([
    ['46', 46],
    ['2,5', 2.5],
    ['0.25', 0.25],
  ])('a quantity %s is %s', (typed, value) => {
    expect(told((cell) => quantityCell(cell, 'm'), typed)).toEqual({ value });
  });

  it.each(['none', '0', '-3', '100001', 'Infinity', '1e9', 'NaN'])('a quantity is not %s', (typed) => {
    expect(told((cell) => quantityCell(cell, 'm'), typed)).toMatchObject({
      column: 'quantity',
      says: expect.stringContaining('a number over 0') as string,
    });
  });

  it('has a unit with every quantity', () => {
    expect(told((cell) => quantityCell(cell, ''), '3')).toMatchObject({ column: 'unit' });
    expect(quantityCell('', '')).toBeUndefined();
  });

  it('is one of its choices by key or by name, in any case', () => {
    const read = (cell: string): string =>
      choiceCell('stance', cell, ['in', 'out'], { in: 'Included', out: 'Not included' });
    expect(told(read, 'OUT')).toEqual({ value: 'out' });
    expect(told(read, 'not INCLUDED')).toEqual({ value: 'out' });
    expect(told(read, 'perhaps')).toEqual({ column: 'stance', says: '“perhaps” is none of: in, out.' });
  });

  it('names an area of the job', () => {
    const areas = new Map([['wet room', 'w']]);
    expect(told((cell) => areaCell(cell, areas), 'Wet Room')).toEqual({ value: 'w' });
    expect(told((cell) => areaCell(cell, areas), 'Attic')).toEqual({
      column: 'area',
      says: 'there is no area “Attic” in this job.',
    });
  });

  it('holds as many words as there is room for', () => {
    expect(told((cell) => wordsCell('note', cell, 5), 'short')).toEqual({ value: 'short' });
    expect(told((cell) => wordsCell('note', cell, 5), 'longer')).toEqual({
      column: 'note',
      says: 'at most 5 characters.',
    });
    expect(wordsCell('note', '', 5)).toBe('');
  });

  it.each(['0', '-1', '1.5', '201', 'two'])('counts no %s walls', (typed) => {
    expect(told((cell) => countCell('wall', cell, 200, 'number of a wall.'), typed)).toEqual({
      column: 'wall',
      says: `“${typed}” is no number of a wall.`,
    });
  });

  it('reads any sum to the cent and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), fc.constantFrom('.', ','), (cents, comma) => {
        const typed = (cents / 100).toFixed(2).replace('.', comma);
        expect(priceCell('price', typed)).toBe(cents);
      }),
    );
  });

  it('gives a lead time both ends, the shorter first, or says why not', () => {
    const days = fc.option(fc.integer({ min: 0, max: 730 }), { nil: undefined });
    fc.assert(
      fc.property(days, days, (low, high) => {
        const read = told(() => leadCells(String(low ?? ''), String(high ?? '')), 'x');
        if (low === undefined && high === undefined) expect(read).toMatchObject({ column: 'lead high' });
        else if (low !== undefined && high !== undefined && low > high)
          expect(read).toMatchObject({ column: 'lead low' });
        else expect(read).toEqual({ value: { leadLow: low ?? high, leadHigh: high ?? low } });
      }),
    );
  });

  it('one bad line is told by its number and loses none of the others', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('1', '7', 'no', '0', '12'), { minLength: 1, maxLength: 40 }), (cells) => {
        const { rows, problems } = readCsv<{ count: number }, 'count'>(
          writeCsv(
            ['count'],
            cells.map((cell) => [cell]),
          ),
          {
            columns: { count: true },
            read: ({ count }) => ({ count: countCell('count', count, 200, 'count.') }),
          },
        );
        const bad = cells.flatMap((cell, index) => (cell === 'no' || cell === '0' ? [index + 2] : []));
        expect(problems.map((problem) => problem.line)).toEqual(bad);
        expect(rows).toHaveLength(cells.length - bad.length);
      }),
    );
  });

  it('does not hide a fault of the program as a fault of the list', () => {
    const broken = (): never => {
      throw new TypeError('a fault');
    };
    expect(() => readCsv('cell\n1\n', { columns: { cell: true }, read: broken })).toThrow('a fault');
  });
});
