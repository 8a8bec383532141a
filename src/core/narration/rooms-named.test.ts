import { describe, expect, it } from 'vitest';
import { roomsNamed } from './rooms-named';

const said = (text: string, ...areas: string[]): string[] =>
  roomsNamed(
    [{ start: 0, end: 9, text }],
    areas.map((name) => ({ name, synonyms: [] })),
  ).map(({ name, kind }) => `${name}, ${kind}`);

describe('rooms that were named', () => {
  it('are offered as areas in the order in which they were said, each of its kind', () => {
    expect(said('This is the kitchen. Upstairs, front bedroom. Then the bath, and out back the roof.')).toEqual([
      'Kitchen, room',
      'Front bedroom, room',
      'Bath, wet',
      'Roof, roof',
    ]);
  });

  it('are not offered where they are areas, by whatever name', () => {
    expect(said('In the kitchen, then the back bedroom.', 'Kitchen', 'Back Bedroom')).toEqual([]);
    expect(
      roomsNamed([{ start: 0, end: 1, text: 'the lounge' }], [{ name: 'Day room', synonyms: ['lounge'] }]),
    ).toEqual([]);
  });

  it('are only those that somebody comes to', () => {
    expect(said('Strip the stairs. She would rather have the pantry. Goes back. Dining room.')).toEqual([
      'Dining room, room',
    ]);
  });

  it('are one where only one of them is told apart', () => {
    expect(said('Front bedroom. Now in the bedroom two windows.')).toEqual(['Front bedroom, room']);
  });
});
