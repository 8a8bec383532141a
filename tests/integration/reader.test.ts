import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readAreaNames } from '@/core/narration/area-names';
import { standpointText, type Cue } from '@/core/narration/captions';
import { draftKeys, isRead, isSettled, SURE } from '@/core/narration/draft';
import { Listener, readNarration } from '@/core/narration/read';
import { wordsOf } from '@/core/narration/words';
import { pairs, scoreWalk } from '../../training/score';
import { keptOut, readWalk } from '../../training/scores';
import { plainly } from '../../training/walk-file';
import { root } from '../support/installations';
import { scored } from '../support/narration-score';

const mean = (list: readonly number[]): number => list.reduce((sum, one) => sum + one, 0) / list.length;
const walks = keptOut();

describe('walks the reader was never taught', () => {
  const scores = walks.map((walk) => scoreWalk(walk, readWalk(walk)));

  it('are read right in kind and place', () => {
    expect(mean(scores.map(({ f1 }) => f1))).toBeGreaterThanOrEqual(0.7);
    expect(Math.min(...scores.map(({ f1 }) => f1))).toBeGreaterThanOrEqual(0.5);
  });

  it('are followed through their rooms, and chatter stays chatter', () => {
    const sum = (of: 'placeWrong' | 'matched' | 'chatter' | 'drafts'): number =>
      scores.reduce((all, score) => all + score[of], 0);
    expect(sum('matched') / (sum('matched') + sum('placeWrong'))).toBeGreaterThanOrEqual(0.9);
    expect(sum('chatter') / sum('drafts')).toBeLessThanOrEqual(0.04);
  });

  it('are read with plain names of rooms too', () => {
    expect(mean(walks.map(plainly).map((walk) => scoreWalk(walk, readWalk(walk)).f1))).toBeGreaterThanOrEqual(0.6);
  });

  it('are sure only of what is right', () => {
    const shown = walks.flatMap((walk) => {
      const drafts = readWalk(walk);
      const right = new Set(pairs(walk, drafts).values());
      return drafts.flatMap(({ draft }, at) => (draft.confidence >= SURE ? [right.has(at)] : []));
    });
    expect(shown.length).toBeGreaterThan(60);
    expect(shown.filter(Boolean).length / shown.length).toBeGreaterThanOrEqual(0.9);
  });
});

describe('the demo and older fixtures', () => {
  const files = ['demo/narrations', 'tests/fixtures/narrations'].flatMap((folder) =>
    readdirSync(join(root, folder))
      .filter((name) => name.endsWith('.txt'))
      .map((name) => join(root, folder, name)),
  );

  it('are read with their fields', () => {
    const all = files.map(scored);
    expect(mean(all.map(({ recall }) => recall))).toBeGreaterThanOrEqual(0.7);
    expect(mean(all.map(({ precision }) => precision))).toBeGreaterThanOrEqual(0.7);
    expect(mean(all.map(({ fields }) => fields))).toBeGreaterThanOrEqual(0.85);
  });
});

const AREAS = [
  { name: 'Kitchen', synonyms: [] },
  { name: 'Guest bath', synonyms: ['small bath'] },
];
const cue = (text: string, at: number): Cue => ({ start: at, end: at + 3, text });

describe('the listener', () => {
  it('says the same at the end as reading all of it at once, whatever was asked meanwhile', () => {
    for (const walk of walks.slice(0, 3)) {
      const listener = new Listener(walk.areas);
      for (const one of walk.cues.slice(0, 40)) {
        listener.hear(one);
        listener.drafts();
      }
      const whole = readNarration(walk.cues.slice(0, 40), walk.areas);
      const key = ({ kind, area }: { kind: string; area: string | null }): string => `${kind} ${area}`;
      const told = listener.drafts().map(key);
      expect(whole.map(key).filter((one) => told.includes(one)).length).toBeGreaterThanOrEqual(whole.length * 0.8);
    }
  });

  it('believes a tap before it believes its ears', () => {
    const listener = new Listener(AREAS);
    listener.hear(cue(standpointText('Guest bath'), 0), cue('the tile is half up', 1));
    expect(listener.here()).toBe('Guest bath');
    expect(listener.drafts().map(({ area }) => area)).toEqual(['Guest bath']);
    listener.hear(cue(standpointText(null), 5), cue('the final inspection is booked for friday', 6));
    expect(listener.here()).toBeNull();
    expect(listener.drafts().at(-1)?.area).toBeNull();
  });

  it('costs the same for one more line however long the walk is', () => {
    const long = walks.flatMap((walk) => walk.cues).map((one, at) => ({ ...one, start: at * 4, end: at * 4 + 4 }));
    const listener = new Listener(AREAS);
    listener.hear(...long);
    const open = (listener as unknown as { open: Cue[] }).open;
    expect(wordsOf(open).length).toBeLessThan(400);
  });
});

describe('anything at all', () => {
  const word = fc.oneof(
    fc.constantFrom(
      'kitchen',
      'the',
      'is',
      'not',
      'half',
      'two',
      'by',
      'inch',
      'if',
      'no',
      'done',
      "isn't",
      '[Kitchen]',
    ),
    fc.string({ maxLength: 12 }),
    fc.string({ unit: 'grapheme', maxLength: 6 }),
  );
  it('gives drafts or none, never an exception', () => {
    fc.assert(
      fc.property(fc.array(fc.array(word, { maxLength: 30 }), { maxLength: 12 }), (lines) => {
        const cues = lines.map((words, at) => cue(words.join(' '), at * 3));
        const drafts = readNarration(cues, AREAS);
        expect(drafts.every(({ start, end }) => end >= start)).toBe(true);
        const keys = draftKeys(drafts);
        expect(new Set(keys).size).toBe(keys.length);
        expect(keys.every((key) => isSettled(key, keys))).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it('in other scripts, or with no areas, is no exception either', () => {
    const foreign = [cue('кухня готова наполовину', 0), cue('厨房の壁は終わった', 4)];
    expect(() => readNarration(foreign, AREAS)).not.toThrow();
    expect(readNarration([cue('Kitchen. Framing is done.', 0)], []).every(({ area }) => area === null)).toBe(true);
    expect(readNarration([], AREAS)).toEqual([]);
  });
});

describe('what was taught', () => {
  it('is small enough for a phone', () => {
    expect(statSync(join(root, 'src/core/narration/learnt.json')).size).toBeLessThanOrEqual(400_000);
  });

  it('has never seen what was kept out', () => {
    const taught = readdirSync(join(root, 'training/walks')).map((name) =>
      readFileSync(join(root, 'training/walks', name), 'utf8'),
    );
    const lines = readdirSync(join(root, 'training/kept-out')).flatMap((name) =>
      readFileSync(join(root, 'training/kept-out', name), 'utf8')
        .split('\n')
        .filter((line) => line.length > 40 && !line.startsWith('area')),
    );
    expect(lines.filter((line) => taught.some((text) => text.includes(line)))).toEqual([]);
    expect(readAreaNames('name\nKitchen\n')).toHaveLength(1);
  });
});

describe('what was said', () => {
  it('is told apart by line: what no draft was read from is shown to whoever told it', () => {
    const cues = [cue('Kitchen. Framing is done.', 0), cue('My aunt had a parrot with one leg.', 10)];
    const drafts = readNarration(cues, [{ name: 'Kitchen', synonyms: [] }]);
    expect(drafts.map(({ kind }) => kind)).toEqual(['progress']);
    expect(isRead([cue('Framing is done.', 0), ...cues.slice(1)], drafts)).toEqual([true, false]);
  });
});

describe('what was settled', () => {
  it('is known again by its words where another reader cuts them otherwise', () => {
    const kept = ['progress@12.0 floor is down and the trim is half on'];
    // Small words that two drafts share make them no closer.
    expect(
      isSettled("caution@30.0 the outlet by the sink is wet so leave it alone until the power's off", [
        'selection@10.0 they picked the maple doors',
      ]),
    ).toBe(false);
    expect(isSettled('progress@12.0 floor is down', kept)).toBe(true);
    expect(isSettled('remaining@14.0 the trim is half on', kept)).toBe(true);
    expect(isSettled('progress@300.0 floor is down and', kept)).toBe(false);
    expect(isSettled('caution@12.0 mind the loose board by the door', kept)).toBe(false);
    // As they were named before.
    expect(isSettled('progress@12.0 floor is down', ['progress@12.0'])).toBe(true);
  });
});
