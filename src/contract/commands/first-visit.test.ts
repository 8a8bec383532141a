import { describe, expect, it } from 'vitest';
import type { AnyObject, ObjectSchema } from 'yup';
import { ValidationError } from 'yup';
import { v7 } from 'uuid';
import { addOpening, moveWallCommand, setShape } from './layout';
import { keepCalculation } from './quantities';
import { addChange } from './changes';
import { addAssumption, addFinding, addManyScope, addOptions, addScope, sendStatement } from './scope';

const id = v7();
/** What the schema says of it: path and message of every problem. */
function said(kind: { schema: ObjectSchema<AnyObject> }, payload: object): Record<string, string> {
  try {
    kind.schema.validateSync(payload, { abortEarly: false, strict: false });
    return {};
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return Object.fromEntries(
      (error.inner.length > 0 ? error.inner : [error]).map((inner) => [inner.path ?? '', inner.message]),
    );
  }
}
const measured = (mm: number) => ({ mm, typed: `${mm} mm` });
const wall = (mm: number, turn = 90) => ({ ...measured(mm), turn });
const scope = { id, job: id, area: id, stance: 'in', verb: 'paint', subject: 'the walls' };
const finding = { id, job: id, kind: 'damage', subject: 'rot' };
const option = { key: 'a', name: 'A', cost: 100, lifeYears: 10, leadDays: 3 };
const options = {
  id,
  job: id,
  area: id,
  phase: 'strip',
  subject: 'over or off',
  options: [option, { ...option, key: 'b' }],
};
const change = {
  id,
  job: id,
  kind: 'addition',
  title: 'a shelf',
  lines: [{ id, area: id, verb: 'build', subject: 'it', quantity: 1, unit: 'pieces', unitPrice: 100 }],
};
const room = {
  area: id,
  version: 0,
  shape: { kind: 'room', height: measured(2400), walls: [wall(1), wall(2), wall(3)] },
};
const opening = {
  id,
  area: id,
  wall: 0,
  kind: 'door',
  width: measured(800),
  height: measured(2000),
  sill: { mm: 0, typed: '' },
  count: 1,
  hinge: 'left',
};
const calculation = { id, area: id, calculator: 'boxes', input: { area: 1 }, fed: {} };

describe('what is taken as it is', () => {
  it.each<[string, { schema: ObjectSchema<AnyObject> }, object]>([
    ['a line', addScope, scope],
    ['a line that follows the drawing', addScope, { ...scope, measure: 'wallsNet' }],
    ['a finding', addFinding, finding],
    ['options', addOptions, options],
    ['a change', addChange, change],
    ['a change with work', addChange, { ...change, lines: [{ ...change.lines[0], trade: 'wiring', halfDays: 2 }] }],
    ['a room', setShape, room],
    ['an opening', addOpening, opening],
    [
      'a window with what is clear',
      addOpening,
      { ...opening, kind: 'window', clear: { width: measured(500), height: measured(900) } },
    ],
    ['a result', keepCalculation, calculation],
  ])('%s', (_, kind, payload) => expect(said(kind, payload)).toEqual({}));
});

describe('what is refused says where and what would be right', () => {
  it.each<[{ type: string; schema: ObjectSchema<AnyObject> }, object, string, RegExp]>([
    [addScope, { ...scope, quantity: 3 }, 'unit', /needs its unit/],
    [addScope, { ...scope, quantity: -3, unit: 'm' }, 'quantity', /over 0/],
    [addScope, { ...scope, measure: 'beauty' }, 'measure', /not measured on a drawing/],
    [addScope, { ...scope, stance: 'perhaps' }, 'stance', /must be one of/],
    [addManyScope, { job: id, lines: [] }, 'lines', /at least one line/],
    [
      addManyScope,
      { job: id, lines: [{ ...scope, job: undefined, subject: '' }] },
      'lines[0].subject',
      /subject is missing/,
    ],
    [addFinding, { ...finding, kind: 'ghost' }, 'kind', /must be one of/],
    [addFinding, { ...finding, kind: 'site-choice', options: ['only one'] }, 'options', /at least two ways/],
    [addFinding, { ...finding, unitPrice: 12.5 }, 'unitPrice', /two decimals/],
    [addFinding, { ...finding, leadDays: 9999 }, 'leadDays', /at most 730/],
    [
      addAssumption,
      { id, job: id, area: id, phase: 'strip', text: 'dry', fallback: '', fallbackTrade: 'paint', fallbackHalfDays: 1 },
      'fallback',
      /what is done if it is wrong is missing/,
    ],
    [
      addAssumption,
      {
        id,
        job: id,
        area: id,
        phase: 'dance',
        text: 'dry',
        fallback: 'x',
        fallbackTrade: 'paint',
        fallbackHalfDays: 1,
      },
      'phase',
      /not in the list of phases/,
    ],
    [addOptions, { ...options, options: [option] }, 'options', /at least two/],
    [
      addOptions,
      { ...options, options: [option, { ...option, key: 'b', lifeYears: 0 }] },
      'options[1].lifeYears',
      /more than 0 years/,
    ],
    [
      addOptions,
      { ...options, options: [option, { ...option, key: 'b', works: ['magic'] }] },
      'options[1].works[0]',
      /must be one of/,
    ],
    [addChange, { ...change, lines: [] }, 'lines', /at least one line/],
    [addChange, { ...change, lines: [{ ...change.lines[0], quantity: 0 }] }, 'lines[0].quantity', /not 0/],
    [addChange, { ...change, lines: [{ ...change.lines[0], unit: '' }] }, 'lines[0].unit', /unit is missing/],
    [addChange, { ...change, markup: 9 }, 'markup', /500 %/],
    [addChange, { ...change, lines: [{ ...change.lines[0], halfDays: 2 }] }, 'lines[0].trade', /choose the trade/],
    [
      sendStatement,
      {
        id,
        version: 1,
        updateId: id,
        messageId: id,
        linkId: id,
        name: 'A',
        address: 'nowhere',
        expiresOn: '2027-02-30',
      },
      'expiresOn',
      /day that exists/,
    ],
    [setShape, { ...room, shape: { kind: 'tent' } }, 'shape', /a shape is one of: room, face, roof, run/],
    [setShape, { ...room, shape: { ...room.shape, walls: [wall(1), wall(2)] } }, 'shape.walls', /at least three walls/],
    [
      setShape,
      { ...room, shape: { ...room.shape, walls: [wall(1), wall(2), wall(0)] } },
      'shape.walls[2].mm',
      /longer than 0/,
    ],
    [
      setShape,
      { ...room, shape: { ...room.shape, walls: [wall(1), wall(2), wall(3, 270)] } },
      'shape.walls[2].turn',
      /between −180 and 180/,
    ],
    [setShape, { ...room, shape: { ...room.shape, height: measured(2e6) } }, 'shape.height.mm', /kilometre/],
    [
      setShape,
      {
        area: id,
        version: 0,
        shape: {
          kind: 'run',
          outletInvert: measured(-1),
          headMaxInvert: measured(-1),
          legs: [{ length: measured(5), fall: 2 }],
        },
      },
      'shape.legs[0].fall',
      /1:1/,
    ],
    [addOpening, { ...opening, width: undefined }, 'width', /width is missing/],
    [addOpening, { ...opening, count: 0 }, 'count', /at least 1/],
    [moveWallCommand, { area: id, version: 1, wall: 0, by: 0, reason: 'x', decisionId: id }, 'by', /more than 0/],
    [moveWallCommand, { area: id, version: 1, wall: 0, by: 30_000, reason: 'x', decisionId: id }, 'by', /20 m/],
    [keepCalculation, { ...calculation, calculator: 'orb' }, 'calculator', /no such calculator/],
    [keepCalculation, { ...calculation, fed: { area: 'beauty' } }, 'fed', /not measured on a drawing/],
    [keepCalculation, { ...calculation, input: 'all of it' }, 'input', /must be an object/],
    [keepCalculation, { ...calculation, input: { text: 'x'.repeat(70_000) } }, 'input', /too large/],
  ])('$type', (kind, payload, path, words) =>
    expect(said(kind, payload)[path] ?? JSON.stringify(said(kind, payload))).toMatch(words),
  );
});
