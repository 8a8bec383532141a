import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { TRADE_KEYS } from '../sequence/trades';
import { STANCE_KEYS } from '../sites/area';
import { BRIEF_PART_KEYS, briefOf, briefText, choiceText, lineText, type BriefFinding, type BriefScope } from './brief';
import { FINDING_KIND_KEYS } from './finding';
import { registerOf } from './register';
import { readScopeLine } from './scope-line';

const line = (over: Partial<BriefScope> = {}): BriefScope => ({
  id: 'l',
  stance: 'in',
  verb: 'strip',
  subject: 'the boards',
  quantity: 46,
  unit: 'm²',
  trade: 'roofing',
  dependsOn: '',
  place: '',
  kept: 'kept',
  ...over,
});
const finding = (over: Partial<BriefFinding> = {}): BriefFinding => ({
  ...{ id: 'f', area: null, kind: 'service', subject: 'the freezers’ circuit', quantity: null, unit: '', need: '' },
  ...{
    live: true,
    trade: null,
    place: '',
    cause: '',
    remedy: '',
    allowed: null,
    unitPrice: null,
    leadDays: null,
    options: [],
  },
  ...{ answer: '', answeredBy: '', found: null, foundBy: '', picture: null, kept: 'kept' },
  ...over,
});

describe('what a crew is told of a room', () => {
  it('is its own work, and what concerns everybody there', () => {
    const lines = [
      line(),
      line({ id: 'other', verb: 'wire', subject: 'eight sockets', trade: 'wiring' }),
      line({ id: 'whose', verb: 'patch', subject: 'the hole', trade: null, quantity: null }),
      line({ id: 'out', stance: 'out', verb: 'touch', subject: 'the gutters', quantity: null, trade: 'roofing' }),
      line({ id: 'stair', stance: 'protect', verb: 'protect', subject: 'the stair', quantity: null, place: 'boards' }),
    ];
    const brief = briefOf(lines, [finding()], 'wiring');
    expect(brief.parts.work.map(({ id }) => id)).toEqual(['other', 'whose']);
    expect(brief.parts.out.map(({ text }) => text)).toEqual(['the gutters']);
    expect(brief.parts.protect).toMatchObject([{ text: 'protect the stair', note: 'with boards' }]);
    expect(brief.parts.live).toMatchObject([{ text: 'the freezers’ circuit: stays live' }]);
  });

  it('lists what tear-out must not touch by the trade whose it is', () => {
    const kept = (id: string, subject: string): BriefScope =>
      line({ id, stance: 'protect', verb: 'protect', subject, trade: 'tear-out', quantity: null });
    const brief = briefOf(
      [kept('moulding', 'the mouldings'), kept('door', 'the old door'), kept('stack', 'the soil stack')],
      [
        finding({ id: 'gas', subject: 'Gas pipe to the range' }),
        finding({ id: 'feed', subject: 'feed of the panel' }),
        finding({ id: 'said', subject: 'a grey conduit', trade: 'air' }),
      ],
    );
    expect(brief.parts.protect.map(({ id, whose }) => [id, whose])).toEqual([
      ['stack', 'plumbing'],
      ['door', 'finish'],
      ['moulding', null],
    ]);
    expect(brief.parts.live.map(({ id, whose }) => [id, whose])).toEqual([
      ['gas', 'gas'],
      ['said', 'air'],
      ['feed', 'wiring'],
    ]);
    expect(brief.parts.protect.map(briefText)).toEqual([
      'Plumbing · protect the soil stack',
      'Finish carpentry · protect the old door',
      'Protect the mouldings',
    ]);
  });

  it('tells every line once and only once, and no price, whatever was written down', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ stance: fc.constantFrom(...STANCE_KEYS), trade: fc.constantFrom(null, ...TRADE_KEYS) })),
        fc.array(fc.constantFrom(...FINDING_KIND_KEYS)),
        (lines, kinds) => {
          const scope = lines.map((over, at) => line({ ...over, id: `l${at}` }));
          const found = kinds.map((kind, at) => finding({ kind, id: `f${at}`, unitPrice: 98_765, allowed: 3 }));
          const brief = briefOf(scope, found);
          const told = [...BRIEF_PART_KEYS.flatMap((part) => brief.parts[part]), ...brief.choices].map(({ id }) => id);
          const office = found.filter(({ kind }) => kind === 'allowance' || kind === 'approval').map(({ id }) => id);
          expect([...told, ...office].sort()).toEqual([...scope, ...found].map(({ id }) => id).sort());
          expect(JSON.stringify(brief)).not.toMatch(/98.?765|987\.65/);
        },
      ),
    ));

  it('leaves a choice open until somebody decided, and says who', () => {
    const open = finding({ kind: 'site-choice', subject: 'the stop valve', options: ['left', 'right'] });
    const [choice] = briefOf([], [open, { ...open, answer: 'left', answeredBy: 'Wren' }]).choices;
    expect(choiceText(choice!)).toBe('the stop valve: left or right');
    expect(briefOf([], [{ ...open, answer: 'left', answeredBy: 'Wren' }]).choices.map(choiceText)).toEqual([
      'the stop valve: left (decided by Wren)',
    ]);
  });

  it('says what is left out as a thing, never as an order', () => {
    expect(lineText(line({ stance: 'out', verb: 'touch', subject: 'the gutters', quantity: null }))).toBe(
      'the gutters',
    );
    expect(lineText(line({ stance: 'out', verb: 'repair', subject: 'the slates', quantity: null }))).toBe(
      'repair the slates',
    );
  });
});

describe('the registers', () => {
  it('hold what lines and findings say of a thing in one list each', () => {
    const lines = [
      line({ id: 'p', stance: 'protect', verb: 'protect', subject: 'the stair', quantity: null, place: 'boards' }),
      line({ id: 'r', stance: 'refit', verb: 'take down and refit', subject: 'two lamps', quantity: null }),
      line(),
    ].map((entry) => ({ ...entry, version: 1, areaId: 'a' }));
    const found = [
      finding({ id: 's', kind: 'salvage', subject: 'bricks', quantity: 433, unit: 'pieces', place: 'the yard' }),
      finding({ id: 'f', kind: 'refit', subject: 'the stove', quantity: 1 }),
      finding(),
    ].map((entry) => ({ ...entry, version: 1 }));
    expect(registerOf(lines, found)).toMatchObject([
      { register: 'protect', of: 'scope', what: 'the stair', place: 'boards' },
      { register: 'refit', of: 'scope', what: 'two lamps', place: '' },
      { register: 'salvage', of: 'finding', what: '433 pieces of bricks', place: 'the yard' },
      { register: 'refit', of: 'finding', what: '1 × the stove', place: '' },
    ]);
  });

  it('name a thing once that was both written and found', () => {
    const stove = { stance: 'refit', verb: 'take down and refit', subject: 'the iron stove', quantity: null } as const;
    const lines = [{ ...line(stove), version: 1, areaId: 'kitchen' }];
    const found = [
      { ...finding({ kind: 'refit', subject: 'The iron stove', area: 'kitchen', place: 'boot room' }), version: 1 },
    ];
    expect(registerOf(lines, found)).toMatchObject([{ of: 'finding', place: 'boot room' }]);
    expect(registerOf(lines, [{ ...found[0]!, area: 'hall' }])).toHaveLength(2);
  });

  it.each([
    ['refit: two lamps, kept in the shed', 'refit', 'two lamps', 'in the shed'],
    ['protect: the stair with boards', 'protect', 'the stair', 'boards'],
    ['protect the oak floor with felt and board', 'protect', 'the oak floor', 'felt and board'],
    ['tile the wall with sage tiles', 'in', 'the wall with sage tiles', ''],
  ])('take where or with what from the line %j', (text, stance, subject, place) =>
    expect(readScopeLine(text)).toMatchObject({ ok: true, value: { stance, subject, place } }),
  );
});
