import { answer } from '../problem';
import { give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const niche = calculator({
  name: 'niche',
  title: 'Appliance in its place',
  group: 'fit',
  answers: 'Whether an appliance goes in, with its air, its plug and its door.',
  asks: {
    width: length('place: width'),
    height: length('place: height'),
    depth: length('place: depth'),
    applianceWidth: length('appliance: width'),
    applianceHeight: length('appliance: height'),
    applianceDepth: length('appliance: depth, handle left out'),
    airSides: length('air each side', { zero: true }),
    airTop: length('air above', { zero: true }),
    behind: length('plug, pipe and air behind', { zero: true }),
    doorSwing: length('door needs in front', { zero: true }),
    free: length('free in front'),
  },
  gives: {
    spareWidth: give('level', 'to spare in width', main),
    spareHeight: give('level', 'in height'),
    spareDepth: give('level', 'in depth'),
    fits: give('flag', 'goes in', { good: true }),
    opens: give('flag', 'its door opens', { good: true }),
  },
  formula: 'place − appliance − air, each way',
  source: 'Air and plug stand in the maker’s sheet, which decides.',
  decides: 'Gas and fixed wiring are connected by the licensed trades.',
  example: {
    width: 620,
    height: 1900,
    depth: 650,
    applianceWidth: 595,
    applianceHeight: 1860,
    applianceDepth: 600,
    airSides: 5,
    airTop: 25,
    behind: 50,
    doorSwing: 640,
    free: 1100,
  },
  compute: (input) => {
    const spareWidth = input.width - input.applianceWidth - 2 * input.airSides;
    const spareHeight = input.height - input.applianceHeight - input.airTop;
    const spareDepth = input.depth - input.applianceDepth - input.behind;
    return answer({
      spareWidth,
      spareHeight,
      spareDepth,
      fits: [spareWidth, spareHeight, spareDepth].every((spare) => spare >= -1e-9),
      opens: input.free >= input.doorSwing - 1e-9,
    });
  },
});
