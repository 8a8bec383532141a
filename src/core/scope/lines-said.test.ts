import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { STANCE_KEYS, type Inclusion } from '../sites/area';
import { linesSaid } from './lines-said';

/** A line in short: verb | thing, with how much and on what it depends where that was said. */
const short = (words: string, stance: Inclusion = 'in'): string[] =>
  linesSaid(words, stance).map(({ verb, subject, quantity, unit, dependsOn, place }) =>
    [verb, subject, quantity && `${quantity} ${unit ?? ''}`, dependsOn, place].filter(Boolean).join(' | '),
  );

describe('work that was said', () => {
  it.each([
    ['We take up the old floor and pour a slab.', ['take up | the old floor', 'pour | a slab']],
    ['New vanity, new mirror, move the fan.', ['install | new vanity', 'install | new mirror', 'move | the fan']],
    ['Sand the stairs, refinish.', ['sand | the stairs', 'refinish | the stairs']],
    ['The back wall comes down.', ['take down | the back wall']],
    ['Shelves go, bath goes, pipes go.', ['take out | shelves', 'take out | bath', 'take out | pipes']],
    ['Both doors get replaced.', ['replace | both doors']],
    ['so we are going to take that partition out', ['take out | that partition']],
    ['the lintel, that gets replaced', ['replace | the lintel']],
    ['Four windows to reglaze.', ['install | windows to reglaze | 4 pieces']],
    ['Four windows to replace.', ['replace | windows | 4 pieces']],
    ['New slate, about forty square metres.', ['install | new slate | 40 m²']],
    ['Twelve feet of base.', ['do | base | 12 ft']],
    ['Add a closet, five feet.', ['add | a closet, five feet']],
    ['A rail down the steps.', ['install | a rail down the steps']],
    ['The chimney we will repoint.', ['repoint | the chimney']],
  ])('%s', (words, lines) => {
    expect(short(words)).toEqual(lines);
  });

  it('says what depends on what, and what is done otherwise', () => {
    expect(short("If that post isn't sound it's coming out, otherwise we clean it.", 'conditional')).toEqual([
      "take out | that post | whether that post isn't sound; otherwise we clean it",
    ]);
    expect(short("If the floor's rotten we replace it, otherwise it stays.", 'conditional')).toEqual([
      "replace | the floor | whether the floor's rotten; otherwise it stays",
    ]);
    expect(short('If it is wet we replace it.', 'conditional')).toEqual(['replace | it | whether it is wet']);
    expect(short('We replace the boards if they are rotten.', 'conditional')).toEqual([
      'replace | the boards | whether they are rotten',
    ]);
  });

  it.each<[Inclusion, string, string]>([
    ['out', 'The panelling we leave exactly how it is.', 'touch | the panelling'],
    ['out', "We're not doing the gutters.", 'touch | the gutters'],
    ['out', "Shed isn't part of this.", 'touch | shed'],
    ['out', 'Leave it.', 'touch | everything here'],
    ['keep-live', 'Boiler stays on, they live here.', 'keep live | boiler'],
    ['keep-live', "It's their only shower, so it runs every night.", 'keep live | their only shower'],
    [
      'refit',
      'The bell comes off and goes back, it is kept in the shed.',
      'take down and refit | the bell | in the shed',
    ],
    ['protect', 'Old range is staying, cover it with a blanket.', 'protect | old range | a blanket'],
    ['protect', "Mrs Orrin's roses stay.", "protect | mrs Orrin's roses"],
  ])('%s: %s', (stance, words, line) => {
    expect(short(words, stance)).toEqual([line]);
  });

  it('gives the line to whose work it is', () => {
    expect(linesSaid('New sockets by the bed.', 'in')[0]?.trade).toBe('wiring');
    expect(linesSaid('Strip the paper.', 'in')[0]?.trade).toBe('tear-out');
  });

  it('makes at least one line of anything, and none that could not be kept', () => {
    const random = seeded(7);
    const WORDS =
      "we take it out the new if and , . two square metres of 's not leave strip comes goes I'll -- 4\u00bd é".split(
        ' ',
      );
    for (let run = 0; run < 400; run++) {
      const words = Array.from(
        { length: Math.floor(random() * 14) },
        () => WORDS[Math.floor(random() * WORDS.length)],
      ).join(' ');
      const stance = STANCE_KEYS[run % STANCE_KEYS.length] ?? 'in';
      const lines = linesSaid(words, stance);
      expect(lines.length, words).toBeGreaterThan(0);
      for (const line of lines) {
        expect(line.verb.length, words).toBeGreaterThan(0);
        expect(line.verb.length).toBeLessThanOrEqual(30);
        expect(line.subject.trim().length, words).toBeGreaterThan(0);
        expect(line.subject.length).toBeLessThanOrEqual(200);
        expect(line.stance).toBe(stance);
      }
    }
  });
});
