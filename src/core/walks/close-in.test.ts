import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closeInLines, closeInState, coveringPhases, type CloseInFacts } from './close-in';
import type { Observation } from './observation';

const none: CloseInFacts = {
  phases: ['framing', 'duct-rough', 'plumbing-rough', 'wiring-rough', 'close-in', 'insulation', 'board'],
  selections: [],
  scope: [],
  openings: [],
  fixtures: [],
  walls: 4,
  leftovers: [],
  assumptions: [],
  liveServices: [],
};
const texts = (over: Partial<CloseInFacts>): string[] => closeInLines({ ...none, ...over }).map((line) => line.text);
const check = (line: string, verdict: 'right' | 'open' | 'not here', at: number): Observation => ({
  id: `o${at}`,
  job: 'j',
  walk: 'w',
  area: 'a',
  person: 'p',
  at: new Date(Date.UTC(2027, 2, 9, 8, at)).toISOString(),
  kind: 'check',
  line,
  verdict,
});

describe('the check before a wall is closed', () => {
  it('asks for what the work, the choices, the drawing and the history of the room say', () => {
    expect(texts({})).toEqual(
      expect.arrayContaining([
        'boxes stand proud of the stud by the thickness of the board',
        'drain holds its water or air test',
        'duct joints sealed, ends covered against dust',
        'picture of wall 4, corner to corner, tape in sight',
      ]),
    );
    expect(texts({ phases: ['framing', 'close-in', 'board'], walls: 0 })).toEqual([
      'fire stops are in: at floors and ceilings, in soffits, round what goes through',
      'a picture of every wall, corner to corner',
    ]);
    expect(
      texts({
        selections: [
          { id: 's', category: 'Towel rail', choice: '' },
          { id: 'v', category: 'Shower valve', choice: 'concealed' },
          { id: 'd', category: 'Study door', choice: 'Pocket door' },
        ],
      }),
    ).toEqual(
      expect.arrayContaining([
        'backing for towel rail is in, at its height',
        'shower valve sits at the depth its maker gives, from the finished face',
        'shower valve can be reached: access panel framed',
        'study door was hung and run to both ends before it is covered',
      ]),
    );
    expect(
      texts({
        leftovers: [{ id: 'x', text: 'boxes too low' }],
        liveServices: [{ id: 'l', text: 'bell wire' }],
        assumptions: [{ id: 'u', text: 'the joist is sound' }],
      }),
    ).toEqual(
      expect.arrayContaining([
        'boxes too low',
        'bell wire is marked and stays reachable',
        'seen whether the joist is sound',
      ]),
    );
  });

  it('knows what hides the walls', () => {
    expect(coveringPhases(none.phases)).toEqual(['insulation', 'board']);
    expect(coveringPhases(['framing', 'close-in', 'plaster'])).toEqual(['plaster']);
  });

  it('is closed with its last line and not before, by the newest word on each', () => {
    const lines = closeInLines(none);
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.nat(lines.length - 1), fc.constantFrom('right' as const, 'open' as const, 'not here' as const)),
          { maxLength: 60 },
        ),
        (said) => {
          const seen = said.map(([line, verdict], index) => check(lines[line]?.key ?? '', verdict, index));
          const state = closeInState(lines, seen);
          const last = new Map(
            seen.map((observation) => [observation.kind === 'check' ? observation.line : '', observation]),
          );
          const settled = [...last.values()].filter(
            (observation) => observation.kind === 'check' && observation.verdict !== 'open',
          ).length;
          expect(state.open).toHaveLength(lines.length - settled);
          expect(state.closedAt !== undefined).toBe(settled === lines.length);
        },
      ),
    );
  });

  it('takes a leftover that was found done for settled, and keys stay when other lines come', () => {
    const lines = closeInLines({ ...none, leftovers: [{ id: 'x', text: 'boxes too low' }] });
    const done: Observation = {
      ...check('', 'right', 1),
      kind: 'recheck',
      about: 'x',
      verdict: 'done',
    } as unknown as Observation;
    expect(closeInState(lines, [done]).lines.find((line) => line.key === 'left:x')?.state).toBe('right');
    const more = closeInLines({ ...none, selections: [{ id: 's', category: 'Mirror', choice: '' }], walls: 5 });
    expect(more.map((line) => line.key)).toEqual(expect.arrayContaining(closeInLines(none).map((line) => line.key)));
  });
});
