import { answer } from '../problem';
import { give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const corner = calculator({
  name: 'corner',
  title: 'Blind corner and switches',
  group: 'fit',
  answers: 'How wide the filler in a corner must be for doors and handles, and whether a switch stays free.',
  asks: {
    blindWidth: length('blind cabinet, overall'),
    returnDepth: length('depth of the return run'),
    blindDoor: length('its door'),
    handleHere: length('handle stands out, here', { zero: true }),
    handleThere: length('handle stands out, round the corner', { zero: true }),
    play: length('play', { zero: true }),
    filler: length('filler given', { zero: true }),
    switchAt: length('switch, from the corner', { zero: true }),
    tall: length('tall unit, panel or splash ends at', { zero: true }),
    switchFree: length('free beside a switch', { zero: true }),
  },
  gives: {
    fillerNeeded: give('length', 'filler needed', main),
    fillerOk: give('flag', 'wide enough', { good: true }),
    reach: give('level', 'opening to reach in', main),
    pullOut: give('length', 'the blind cabinet may be pulled out by'),
    switchOk: give('flag', 'switch stays free', { good: true }),
  },
  formula:
    'filler = the larger handle + play; reach = blind cabinet − depth of the return − filler, at most its door; ' +
    'pull = what its door leaves uncovered',
  source: 'Geometry; drawers round a corner foul each other’s handles first.',
  example: {
    blindWidth: 1200,
    returnDepth: 600,
    blindDoor: 500,
    handleHere: 35,
    handleThere: 35,
    play: 15,
    filler: 60,
    switchAt: 740,
    tall: 660,
    switchFree: 50,
  },
  compute: (input) => {
    const fillerNeeded = Math.max(input.handleHere, input.handleThere) + input.play;
    const reach = Math.min(input.blindDoor, input.blindWidth - input.returnDepth - input.filler);
    return answer({
      fillerNeeded,
      fillerOk: input.filler >= fillerNeeded - 1e-9,
      reach,
      pullOut: Math.max(0, input.blindWidth - input.blindDoor - input.returnDepth - input.filler),
      switchOk: Math.abs(input.switchAt - input.tall) >= input.switchFree - 1e-9 && input.switchAt > input.tall,
    });
  },
});
