import { describe, expect, it } from 'vitest';
import { triggersOf } from './triggers';

const raised = (text: string): string[] => triggersOf({ kind: 'note', text }).map(({ id }) => id);

describe('a caution, by how it is said', () => {
  it.each([
    ['there’s old wire up here on porcelain knobs, could be anything', 'old-wiring'],
    ['knob and tube all through this ceiling', 'old-wiring'],
    ['cloth covered cable stapled across the joists', 'old-wiring'],
    ['popcorn ceiling in here, whole thing', 'sprayed-ceiling'],
    ['ceiling has been sprayed at some time', 'sprayed-ceiling'],
    ['nine-inch tiles on black glue under the lino', 'old-tiles'],
    ['the tiles are stuck down with some black stuff', 'old-tiles'],
    ['cables tensioned in the slab so no drilling', 'tensioned-slab'],
    ['this is a post-tensioned slab', 'tensioned-slab'],
    ['it’s a four foot drop off the back', 'drop'],
    ['a metre and a half down to the path', 'drop'],
    ['the deck drops about six feet this end', 'drop'],
    ['that beam is sitting on nothing', 'on-nothing'],
    ['one of the old posts is on a paint tin', 'on-nothing'],
    ['there’s nothing under the chimney', 'on-nothing'],
    ['no smoke alarm on this floor', 'no-alarm'],
    ['smoke detector is taped over', 'no-alarm'],
  ])('“%s”', (text, id) => {
    const found = triggersOf({ kind: 'note', text: text.replace(/’/g, "'") });
    expect(found.map((trigger) => trigger.id)).toContain(id);
    expect(found.every(({ source }) => /decides|says|gives|guidance/.test(source))).toBe(true);
  });

  it.each([
    'no asbestos in here, it was tested',
    'the samples came back clear, no vermiculite',
    'that vase would make a good knob, only joking, it is live theatre',
    'put the smoke alarm back when the painter is gone',
    'drop the price a bit',
    'two drop lights over the island',
    'the ceiling is lovely',
    'nine tiles left to set',
    'black grout between the tiles',
    'the wire shelf goes over the washer',
    'new joists on the long side',
  ])('says nothing of “%s”', (text) => {
    expect(raised(text)).toEqual([]);
  });
});
