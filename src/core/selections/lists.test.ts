import { describe, expect, it } from 'vitest';
import { readPriceCsv } from './price-csv';
import { readSelectionCsv, selectionKey, writeSelectionCsv } from './selection-csv';

const areas = [
  { id: 'k', name: 'Kitchen', phases: ['cabinets', 'worktops'] as const },
  { id: 'b', name: 'Bath', phases: ['tiling'] as const },
];
const read = (lines: string, there = new Set<string>()) =>
  readSelectionCsv(
    `area,step,category,choice,code,quantity,unit,price,supplier,lead low,lead high,decides\n${lines}`,
    areas,
    there,
  );
const told = (lines: string, there?: Set<string>): string =>
  read(lines, there)
    .problems.map((problem) => `${problem.line} ${problem.column ?? ''}: ${problem.message}`)
    .join('\n');

describe('a list of selections', () => {
  it('is read line by line, ranges, prices and deciders', () => {
    expect(
      read(
        'Kitchen,cabinets,Handles,Bars,H-128,24,pieces,"4,20",Quayside,10,14,designer\nbath,Tiling,Tiles,,,,,,,,,\n',
      ),
    ).toMatchObject({
      problems: [],
      lines: [
        {
          area: 'k',
          phase: 'cabinets',
          category: 'Handles',
          quantity: 24,
          unit: 'pieces',
          unitPrice: 420,
          supplier: 'Quayside',
          leadLow: 10,
          leadHigh: 14,
          decides: 'designer',
        },
        { area: 'b', phase: 'tiling', category: 'Tiles', choice: '', leadLow: 14, leadHigh: 14, decides: 'client' },
      ],
    });
  });

  it('names line and column of what cannot be meant and keeps the rest', () => {
    expect(told('Cellar,cabinets,X,,,,,,,1,2,')).toContain('2 area: there is no area “Cellar”');
    expect(told('Kitchen,tiling,X,,,,,,,1,2,')).toContain('2 step: “tiling” is no step of Kitchen; one of: cabinets, ');
    expect(told('Kitchen,cabinets,X,,,,,,,14,10,')).toBe(
      '2 lead low: the range is the wrong way round: 14 to 10 days; the shorter one first.',
    );
    expect(told('Kitchen,cabinets,X,,,-3,pieces,,,1,2,')).toContain('2 quantity: “-3” is no quantity');
    expect(told('Kitchen,cabinets,X,,,3,,,,1,2,')).toContain('2 unit: a quantity needs its unit');
    expect(told('Kitchen,cabinets,X,,,,,dear,,1,2,')).toContain('2 price: “dear” is no price');
    expect(told('Kitchen,cabinets,X,,,,,,,1,2,the king')).toContain('2 decides: “the king” is none of: client');
    expect(told('Kitchen,cabinets,X,,,,,,,1.5,2,')).toContain('2 lead low: “1.5” is no number of days');
    expect(told('Kitchen,cabinets,,,,,,,,1,2,')).toContain('2 category: what it is is missing');
    expect(read('Kitchen,cabinets,X,,,,,,,14,10,\nBath,tiling,Tiles,,,,,,,1,2,').lines).toHaveLength(1);
  });

  it('tells a line that stands twice, in the list or in the job', () => {
    expect(told('Kitchen,cabinets,Handles,,,,,,,1,2,\nKitchen,cabinets,handles,,,,,,,1,2,')).toBe(
      '3 category: handles in Kitchen stands on line 2 already; one line for each.',
    );
    expect(told('Kitchen,cabinets,Handles,,,,,,,1,2,', new Set([selectionKey('k', 'HANDLES')]))).toContain(
      'is in the job already',
    );
  });

  it('is written so that it reads back as it was', () => {
    const [line] = read('Kitchen,cabinets,"Handles, brushed",Bars,H-128,24,pieces,4.20,Quayside,10,14,us\n').lines;
    if (!line) throw new Error('no line');
    const written = writeSelectionCsv([
      {
        ...line,
        area: 'Kitchen',
        quantity: 24,
        unitPrice: 420,
        state: 'chosen',
        found: null,
        orderedOn: null,
        expectedOn: null,
        needBy: '2027-04-01',
        orderBy: null,
        decideBy: null,
      },
    ]);
    expect(readSelectionCsv(written, areas, new Set())).toEqual({ lines: [line], problems: [] });
  });
});

describe('a list of prices', () => {
  it('takes a range or one figure, and says which code stands twice', () => {
    expect(
      readPriceCsv(
        'code,name,price,lead low,lead high\nH-128,Bar,4.20,10,14\nK-40,Knob,,7,\nh-128,Bar again,5,1,2\n' +
          'X,,1,9,3\n,,1,1,1\n',
      ),
    ).toEqual({
      lines: [
        { code: 'H-128', name: 'Bar', unit: '', unitPrice: 420, leadLow: 10, leadHigh: 14 },
        { code: 'K-40', name: 'Knob', unit: '', leadLow: 7, leadHigh: 7 },
      ],
      problems: [
        { line: 4, column: 'code', message: 'h-128 stands on line 2 already; which of the two holds?' },
        {
          line: 5,
          column: 'lead low',
          message: 'the range is the wrong way round: 9 to 3 days; the shorter one first.',
        },
        { line: 6, column: 'code', message: 'the code is missing.' },
      ],
    });
    expect(readPriceCsv('code,price\nX,1\n').problems).toEqual([
      { line: 2, column: 'lead high', message: 'the days it takes to come are missing.' },
    ]);
  });
});
