import { describe, expect, it } from 'vitest';
import { daysSaid, partySaid, problemSaid } from './fields-said';

describe('whom something waits for', () => {
  it.each([
    ['the end panel is late', 'unknown'],
    ['the sheathing is not finished, gather the rest', 'unknown'],
    ['there is another leather chair in the other room', 'unknown'],
    ['she has not said which white', 'client'],
    ['They want to think about the tap', 'client'],
    ['the owner’s answer on the sill', 'client'],
    ['the engineer looks at the beam', 'engineer'],
    ['the inspector wants to see it open', 'inspection'],
    ['no word from the council yet', 'authority'],
    ['the neighbours have to move their shed', 'neighbour'],
  ])('“%s”: %s', (text, party) => {
    expect(partySaid(text)).toBe(party);
  });
});

describe('how long and what is wrong', () => {
  it('counts weeks and days as they are said, and not those that are over', () => {
    expect(daysSaid('it takes six weeks'.split(' '))).toBe(42);
    expect(daysSaid('a fortnight at least'.split(' '))).toBe(14);
    expect(daysSaid('ordered two weeks ago'.split(' '))).toBeUndefined();
  });

  it('tells late from damaged, missing and wrong', () => {
    expect(problemSaid(' the cabinets are late ')).toBe('late');
    expect(problemSaid(' one door came scratched ')).toBe('damaged');
    expect(problemSaid(' the hinges are missing ')).toBe('missing');
    expect(problemSaid(' they sent the wrong one ')).toBe('wrong');
    expect(problemSaid(' the tiles are in the hall ')).toBeUndefined();
  });
});
