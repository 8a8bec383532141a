import { answer } from '../problem';
import { give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const counterHeights = calculator({
  name: 'counter-heights',
  title: 'Counter, splash and wall cabinets',
  group: 'fit',
  answers: 'At which heights worktop, splash, sockets and wall cabinets come.',
  asks: {
    plinth: length('legs or plinth', { zero: true }),
    carcass: length('cabinet'),
    worktop: length('worktop'),
    splash: length('splash', { zero: true }),
    wallCabinetUnder: length('wall cabinets, underside'),
    leastGap: length('least over the worktop'),
    socket: length('socket, centre over the floor'),
    socketHalf: length('half the socket plate'),
  },
  gives: {
    counter: give('length', 'worktop', main),
    splashTop: give('length', 'top of the splash'),
    gap: give('level', 'worktop to wall cabinets', main),
    gapOk: give('flag', 'gap wide enough', { good: true }),
    splashFits: give('flag', 'splash under the cabinets', { good: true }),
    socketClear: give('flag', 'socket clear of worktop and cabinets', { good: true }),
  },
  formula:
    'worktop = plinth + cabinet + top; splash from there; a socket plate must lie between worktop and wall cabinets',
  source: 'Geometry; all from the finished floor. Over a hob the maker’s clearance holds, and more for gas.',
  decides:
    'Clearances at a hob and zones for sockets near water: the maker, the licensed trades and your local code decide.',
  example: {
    plinth: 100,
    carcass: 720,
    worktop: 30,
    splash: 500,
    wallCabinetUnder: 1400,
    leastGap: 450,
    socket: 1100,
    socketHalf: 45,
  },
  compute: (input) => {
    const counter = input.plinth + input.carcass + input.worktop;
    const [splashTop, gap] = [counter + input.splash, input.wallCabinetUnder - counter];
    return answer({
      counter,
      splashTop,
      gap,
      gapOk: gap >= input.leastGap - 1e-9,
      splashFits: splashTop <= input.wallCabinetUnder + 1e-9,
      socketClear:
        input.socket - input.socketHalf >= counter - 1e-9 &&
        input.socket + input.socketHalf <= input.wallCabinetUnder + 1e-9,
    });
  },
});
