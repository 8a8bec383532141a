import { describe, expect, it } from 'vitest';
import { readNormals } from './normals-csv';

describe('usual weather by month', () => {
  it('is read by number or name, and what is left out is none', () => {
    expect(readNormals('month,wet,windy,frosty\n1,14,5,9\nFebruary;12').rows[0]).toEqual({
      ...{ month: 1, wet: 14, windy: 5, frosty: 9 },
    });
    expect(readNormals('month;wet\nFebruary;12,5\nmar;11').rows).toEqual([
      { month: 2, wet: 12.5, windy: 0, frosty: 0 },
      { month: 3, wet: 11, windy: 0, frosty: 0 },
    ]);
  });

  it('says by line and column what cannot be meant, and keeps the others', () => {
    const { rows, problems } = readNormals('month,wet\n13,4\nApril,40\nMay,8\n5,9\nJune,wet');
    expect(rows).toEqual([{ month: 5, wet: 8, windy: 0, frosty: 0 }]);
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [2, 'month'],
      [3, 'wet'],
      [5, 'month'],
      [6, 'wet'],
    ]);
  });
});
