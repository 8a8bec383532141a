import { invertsOf, leastFall } from '../../fit/drain-run';
import { formatFall } from '../fall';
import type { RunShape } from '../shape';
import { finding, type PlanFinding } from './finding';

/** Under this a drain of the usual size does not clean itself: 1:80 by usual guidance, less by flow. */
const CLEANS_ITSELF = 1 / 80;

/** Whether a drain runs by gravity with its head where it may lie, each leg steep enough for its pipe. */
export function drainFindings(shape: RunShape, say: (mm: number) => string): PlanFinding[] {
  const inverts = invertsOf(
    shape.outletInvert.mm,
    shape.legs.map((leg) => ({ length: leg.length.mm, fall: leg.fall })),
  );
  const over = (inverts.at(-1) ?? shape.outletInvert.mm) - shape.headMaxInvert.mm;
  const least = leastFall(shape.pipe?.mm);
  const flat = shape.legs.flatMap((leg, index) => (leg.fall < least - 1e-9 ? [{ leg, index }] : []));
  const bore = shape.pipe ? `a pipe of ${say(shape.pipe.mm)}` : 'any pipe';
  if (over > 1e-6)
    return [
      finding(
        'bad',
        'gravity',
        `The head would lie ${say(over)} too high: it needs a pump, less fall or another route.`,
      ),
      ...flatFindings(shape, least),
    ];
  if (flat.length > 0) {
    const legs = flat.map(
      ({ leg, index }) => `Leg ${index + 1} ${leg.fall === 0 ? 'is level' : `falls ${formatFall(leg.fall)}`}`,
    );
    const text = `${legs.join('; ')}: it does not run by itself. The flattest usual fall of ${bore} is ${formatFall(least)}.`;
    return [finding('bad', 'gravity', text), ...flatFindings(shape, least)];
  }
  return [
    finding('good', 'gravity', `It runs by gravity, with ${say(-over)} to spare at the head.`),
    ...flatFindings(shape, least),
  ];
}

/** Legs that run, and are flat for a usual pipe; where the pipe is known its own least fall has been asked. */
const flatFindings = (shape: RunShape, least: number): PlanFinding[] =>
  shape.pipe
    ? []
    : shape.legs.flatMap((leg, index) =>
        leg.fall >= least - 1e-9 && leg.fall < CLEANS_ITSELF - 1e-9
          ? [
              finding(
                'ask',
                `fall ${index}`,
                `Leg ${index + 1} falls ${formatFall(leg.fall)}: flat for a 100 mm pipe unless its flow allows it. ` +
                  'Your local code and inspector decide.',
              ),
            ]
          : [],
      );
