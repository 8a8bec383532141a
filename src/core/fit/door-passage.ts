import { answer } from '../problem';
import { give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

/** A door stop and the leaf itself stand in the way of whoever goes through. mm at 90°. */
export const clearPassage = (leafWidth: number, leafThickness: number, stop: number): number =>
  leafWidth - leafThickness - stop;

export const doorPassage = calculator({
  name: 'door-passage',
  title: 'Door: swing and passage',
  group: 'fit',
  answers: 'How wide one can pass a door, and whether its leaf has room to swing.',
  asks: {
    leafWidth: length('leaf width'),
    leafThickness: length('leaf thickness'),
    stop: length('stop', { zero: true }),
    leastPassage: length('must pass', { hint: 'a wheelchair, a bed, a bath still to come' }),
    roomDepth: length('free in front of it'),
    latchSide: length('free beside the latch', { zero: true }),
    leastLatchSide: length('wanted beside the latch', { zero: true }),
  },
  gives: {
    passage: give('level', 'clear passage', main),
    passes: give('flag', 'wide enough', { good: true }),
    swings: give('flag', 'swings free', { good: true }),
    reach: give('flag', 'latch within reach', { good: true }),
  },
  formula:
    'passage = leaf − its thickness − stop, standing open at 90°; the leaf needs its own width in front of the wall',
  source: 'Geometry; 813 mm (32 in) clear is the usual accessible width in the US, 775 mm and more in UK guidance.',
  decides: LOCAL_CODE,
  example: {
    leafWidth: 826,
    leafThickness: 40,
    stop: 12,
    leastPassage: 750,
    roomDepth: 1150,
    latchSide: 200,
    leastLatchSide: 300,
  },
  compute: (door) => {
    const passage = clearPassage(door.leafWidth, door.leafThickness, door.stop);
    return answer({
      passage,
      passes: passage >= door.leastPassage - 1e-9,
      swings: door.roomDepth >= door.leafWidth - 1e-9,
      reach: door.latchSide >= door.leastLatchSide - 1e-9,
    });
  },
});
