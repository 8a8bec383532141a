import { answer, refuse } from '../problem';
import { choice, give, length, main, rowsOf, text } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';
import { capital } from '../words/letters';

export const LEVEL_KINDS = {
  floor: 'finished floor',
  ground: 'finished ground',
  step: 'step',
  footing: 'underside of footing',
  invert: 'drain invert',
  sill: 'sill',
} as const;
export type LevelKind = keyof typeof LEVEL_KINDS;

export interface LevelMark {
  name: string;
  kind: LevelKind;
  /** mm against the datum. */
  level: number;
}

export interface LevelLimits {
  /** Ground stays so far under every floor, or the wall takes up water. */
  groundBelowFloor: number;
  /** Footings lie so far under the ground. */
  footingBelowGround: number;
  /** No step of a flight differs more from the others. */
  stepsAlike: number;
}

/** What does not go together among levels of one datum, in sentences. mm */
export function checkLevels(marks: readonly LevelMark[], limits: LevelLimits, say: (mm: number) => string): string[] {
  const of = (kind: LevelKind): LevelMark[] => marks.filter((mark) => mark.kind === kind);
  const rises = risesOf(of('step'), of('ground'), of('floor'));
  const isUneven = rises.length > 1 && Math.max(...rises) - Math.min(...rises) > limits.stepsAlike + 1e-9;
  const against = (below: number): string => (below >= 0 ? `only ${say(below)} below` : `${say(-below)} above`);
  const problems = [
    ...of('ground').flatMap((ground) =>
      of('floor')
        .filter((floor) => floor.level - ground.level < limits.groundBelowFloor - 1e-9)
        .map(
          (floor) =>
            `${ground.name} is ${against(floor.level - ground.level)} ${floor.name}; it should be ${say(limits.groundBelowFloor)} below.`,
        ),
    ),
    ...of('footing').flatMap((footing) =>
      of('ground')
        .filter((ground) => ground.level - footing.level < limits.footingBelowGround - 1e-9)
        .map(
          (ground) =>
            `${footing.name} lies ${say(Math.max(0, ground.level - footing.level))} under ${ground.name}; it ` +
            `should be ${say(limits.footingBelowGround)}.`,
        ),
    ),
    ...of('invert').flatMap((invert) =>
      of('footing')
        .filter((footing) => invert.level < footing.level - 1e-9)
        .map(
          (footing) =>
            `${invert.name} lies under ${footing.name}: digging for it can take away what the footing stands on; ` +
            'ask the engineer.',
        ),
    ),
    ...(isUneven
      ? [
          `The steps differ by more than ${say(limits.stepsAlike)}, the first and the last among them: from ` +
            `${say(Math.min(...rises))} to ${say(Math.max(...rises))}.`,
        ]
      : []),
  ];
  return problems.map(capital);
}

/** How high each riser of a flight is, from the ground below its first step to the floor above its last. */
function risesOf(steps: readonly LevelMark[], grounds: readonly LevelMark[], floors: readonly LevelMark[]): number[] {
  const treads = steps.map((step) => step.level).sort((a, b) => a - b);
  const [lowest, highest] = [treads[0], treads.at(-1)];
  if (lowest === undefined || highest === undefined) return [];
  const under = grounds.map((ground) => ground.level).filter((level) => level < lowest);
  const over = floors.map((floor) => floor.level).filter((level) => level > highest);
  const all = [
    ...(under.length > 0 ? [Math.max(...under)] : []),
    ...treads,
    ...(over.length > 0 ? [Math.min(...over)] : []),
  ];
  return all.slice(1).map((level, index) => level - (all[index] ?? level));
}

export const levels = calculator({
  name: 'levels',
  title: 'Levels against one datum',
  group: 'fit',
  answers: 'Whether floors, ground, steps, footings and drains go together.',
  asks: {
    marks: rowsOf('levels', {
      name: text('what'),
      kind: choice('kind', LEVEL_KINDS),
      level: length('against the datum', { signed: true }),
    }),
    groundBelowFloor: length('ground under floor, at least', { zero: true }),
    footingBelowGround: length('footing under ground, at least', { zero: true }),
    stepsAlike: length('steps alike within', { zero: true }),
  },
  gives: {
    problems: give('texts', 'what does not go together', main),
    ok: give('flag', 'all goes together', { good: true }),
    range: give('length', 'from the lowest to the highest'),
  },
  formula: 'every level is measured to one datum and compared with every other it touches',
  source:
    'Usual guidance: ground 150 mm under the floor; footings below frost; steps of a flight within 3/8 in (9.5 mm).',
  decides: LOCAL_CODE,
  example: {
    marks: [
      { name: 'workshop floor', kind: 'floor', level: 0 },
      { name: 'yard', kind: 'ground', level: -90 },
      { name: 'footing', kind: 'footing', level: -540 },
      { name: 'gully', kind: 'invert', level: -380 },
    ],
    groundBelowFloor: 150,
    footingBelowGround: 450,
    stepsAlike: 9.5,
  },
  compute: ({ marks, ...limits }, say) => {
    const twice = marks.findIndex((mark, index) => marks.findIndex((other) => other.name === mark.name) < index);
    if (twice !== -1)
      return refuse({ code: 'named-twice', message: 'what: two levels have this name', field: `marks[${twice}].name` });
    const problems = checkLevels(marks, limits, say);
    return answer({
      problems,
      ok: problems.length === 0,
      range: Math.max(...marks.map((mark) => mark.level)) - Math.min(...marks.map((mark) => mark.level)),
    });
  },
});
