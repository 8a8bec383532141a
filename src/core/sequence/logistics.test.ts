import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sayLogisticMeasure } from '../words/logistic';
import {
  LOGISTIC_KINDS,
  PROPOSAL_KEYS,
  proposeLogistics,
  type AskingArea,
  type Proposal,
  type ProposalKey,
} from './logistics';
import { PHASE_KEYS, phaseOrder, type Phase } from './phases';
import { WORK_KEYS, trackOf } from './works';

const area = (id: string, ahead: readonly Phase[], over: Partial<AskingArea> = {}): AskingArea => ({
  ...{
    id,
    kind: 'room',
    ahead,
    begun: [],
    measures: {},
    size: 1,
    concrete: 0,
    measured: false,
    lifted: [],
    carry: null,
  },
  ...over,
});
const inOrder = (_: string, phase: Phase): number => phaseOrder(phase);
const asked = (...areas: AskingArea[]): Proposal[] => proposeLogistics(areas, [], new Set(), inOrder);
const keysOf = (proposals: readonly Proposal[]): ProposalKey[] => proposals.map(({ key }) => key);
const one = (proposals: readonly Proposal[], key: ProposalKey): Proposal | undefined =>
  proposals.find((proposal) => proposal.key === key);

describe('what the works ask for', () => {
  it('is reckoned from what is drawn, by volume or by mass', () => {
    // A bath of 5 m² with 20 m² of wall: 5 cm of floor and 3 cm of wall, 0.85 m³ of tiles and bed.
    const drawn = { floor: 5, wallsNet: 20 };
    const bath = one(asked(area('bath', ['tear-out'], { kind: 'wet', measures: drawn })), 'bin-inside');
    expect(bath?.measure).toMatchObject({ bins: 1, by: 'volume', drawn: true });
    expect(bath?.measure && sayLogisticMeasure(bath.measure, 'metric')).toBe(
      'about 1 bin of 6 m³: 1.3 m³ loose, 1600 kg, decided by volume',
    );
    // Eight of them weigh 12 240 kg, and a bin may weigh 6 000.
    const eight = Array.from({ length: 8 }, (_, at) => area(`b${at}`, ['tear-out'], { kind: 'wet', measures: drawn }));
    expect(one(asked(...eight), 'bin-inside')?.measure).toMatchObject({ bins: 3, by: 'mass' });
    // What nobody has drawn is an ordinary one, and says so.
    const guessed = one(asked(area('hall', ['board'])), 'drop-boards');
    expect(guessed?.measure && sayLogisticMeasure(guessed.measure, 'imperial')).toMatch(/sq ft, by ordinary sizes/);
  });

  it('takes concrete from kept results; a little is mixed by hand', () => {
    expect(keysOf(asked(area('a', ['floor-pour'])))).not.toContain('pump');
    const kept = asked(area('a', ['footing-pour'], { concrete: 3.2, carry: 28_000 }));
    expect(one(kept, 'pump')?.measure).toEqual({ kind: 'concrete', volume: 3.2, kept: true, carry: 28_000 });
    expect(one(asked(area('a', ['footing-pour'])), 'pump')?.measure).toMatchObject({ kept: false, carry: null });
  });

  it('lifts what does not come in by hand, and asks how large a beam is', () => {
    const piece = { kind: 'beam' as const, length: 5200, width: 90, height: 240, mass: 140 };
    const lifted = [{ what: 'beam', piece, phase: 'structure' as const }];
    expect(one(asked(area('k', ['structure'], { measured: true, lifted })), 'crane')).toMatchObject({
      phase: 'structure',
    });
    expect(keysOf(asked(area('k', ['structure'])))).toContain('beam');
    expect(keysOf(asked(area('k', ['structure'], { measured: true })))).not.toContain('beam');
  });

  it('is marked where the size it is reckoned from is not drawn, whatever else is', () => {
    // A drawn roof says how much comes off it, and nothing of the face that its scaffold stands before.
    const roof = asked(area('r', ['access', 'roof-strip'], { kind: 'roof', measures: { roofSlope: 60 } }));
    expect(one(roof, 'bin-outside')?.measure).toMatchObject({ drawn: true });
    expect(one(roof, 'scaffold')?.measure).toMatchObject({ drawn: false });
    // A well is as large wherever it is dug.
    expect(one(asked(area('w', ['well-dig'])), 'spoil')?.measure).toMatchObject({ drawn: true });
  });

  it('asks for leave to stand in the street though the bin is there, and for the beam though panes have a crane', () => {
    const rooms = [area('a', ['tear-out', 'structure'])];
    const there = [
      { kind: 'bin' as const, phase: 'tear-out' as const },
      { kind: 'crane' as const, phase: 'glazing' as const },
    ];
    expect(keysOf(proposeLogistics(rooms, there, new Set(), inOrder))).toEqual(
      expect.arrayContaining(['parking', 'beam']),
    );
  });

  it('is not asked again once it is there, answered or begun', () => {
    const rooms = [area('a', ['tear-out']), area('b', ['tear-out', 'board'])];
    expect(keysOf(asked(...rooms))).toContain('bin-inside');
    const there = [{ kind: 'bin' as const, phase: 'tear-out' as const }];
    expect(keysOf(proposeLogistics(rooms, there, new Set(), inOrder))).not.toContain('bin-inside');
    expect(keysOf(proposeLogistics(rooms, [], new Set(['bin-inside']), inOrder))).not.toContain('bin-inside');
    expect(keysOf(asked(...rooms, area('c', [], { begun: ['tear-out'] })))).not.toContain('bin-inside');
  });

  it('names for any works the first step that needs it, once, and nothing where nothing is ahead', () =>
    fc.assert(
      fc.property(
        fc.array(fc.subarray(WORK_KEYS, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 97 }),
        (works, stride) => {
          const areas = works.map((said, at) => area(`a${at}`, trackOf(said)));
          // Any order of the steps, the same each time.
          const startOf = (id: string, phase: Phase): number =>
            (PHASE_KEYS.indexOf(phase) * stride + Number(id.slice(1)) * 7) % 101;
          const proposals = proposeLogistics(areas, [], new Set(), startOf);
          expect(new Set(keysOf(proposals)).size).toBe(proposals.length);
          const starts = proposals.map(({ area: id, phase }) => startOf(id, phase));
          expect(starts).toEqual([...starts].sort((a, b) => a - b));
          for (const proposal of proposals) {
            expect(areas.find(({ id }) => id === proposal.area)?.ahead).toContain(proposal.phase);
            expect(LOGISTIC_KINDS).toContain(proposal.kind);
            if (proposal.measure) expect(sayLogisticMeasure(proposal.measure, 'metric')).not.toMatch(/NaN|Infinity/);
          }
          expect(proposeLogistics(areas, [], new Set(PROPOSAL_KEYS), startOf)).toEqual([]);
        },
      ),
    ));
});
