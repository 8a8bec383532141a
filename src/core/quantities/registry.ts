import type { Outcome } from '../problem';
import { refuse } from '../problem';
import { binSwap } from '../fit/bin-swap';
import { bulkhead } from '../fit/bulkhead';
import { cabinetRun } from '../fit/cabinet-run';
import { corner } from '../fit/corner';
import { counterHeights } from '../fit/counter-heights';
import { doorPassage } from '../fit/door-passage';
import { drainRun } from '../fit/drain-run';
import { dryTime } from '../fit/dry-time';
import { escapeWindow } from '../fit/escape-window';
import { drainFittings } from './drain-fittings';
import { footingSteps } from './footing-steps';
import { fillBack } from '../fit/fill-back';
import { flush } from '../fit/flush';
import { furniture } from '../fit/furniture';
import { getIn } from '../fit/get-in';
import { guards } from '../fit/guards';
import { levelThrough } from '../fit/level-through';
import { levels } from '../fit/levels';
import { lining } from '../fit/lining';
import { niche } from '../fit/niche';
import { slidingOpening } from '../fit/sliding-opening';
import { stairs } from '../fit/stairs';
import { ventDuct } from '../fit/vent-duct';
import { windowWell } from '../fit/window-well';
import { baseStrip } from './base-strip';
import { bins } from './bins';
import { boxes } from './boxes';
import type { AnyCalculator } from './calculator';
import { concrete } from './concrete';
import { courseLayout } from './course-layout';
import { cutList } from './cut-list';
import { fasteners } from './fasteners';
import { formatLengthCalculator } from './format-length';
import { lengthsOverArea } from './lengths-over-area';
import { lift } from './lift';
import { openingFrame } from './opening-frame';
import { orderByCalculator } from './order-by';
import { paintCans } from './paint-cans';
import { pieces } from './pieces';
import { parseLengthCalculator } from './parse-length';
import { plankCladding } from './plank-cladding';
import { priceChange } from './price-change';
import { rebar } from './rebar';
import { remainingWorkCalculator } from './remaining-work';
import { repointing } from './repointing';
import { roof } from './roof';
import { roofEdges } from './roof-edges';
import { salvage } from './salvage';
import { runningLengths } from './running-lengths';
import { sheets } from './sheets';
import { spaced } from './spaced';
import { staggeredWall } from './staggered-wall';
import { studWall } from './stud-wall';
import { thermal } from './thermal';
import { tiles } from './tiles';
import { trench } from './trench';
import { trips } from './trips';
import { wallArea } from './wall-area';

/** Every calculator there is, in the order in which Bench shows them. */
export const CALCULATORS: readonly AnyCalculator[] = [
  wallArea,
  plankCladding,
  courseLayout,
  roof,
  roofEdges,
  repointing,
  salvage,
  sheets,
  boxes,
  tiles,
  paintCans,
  baseStrip,
  cutList,
  runningLengths,
  lengthsOverArea,
  pieces,
  studWall,
  staggeredWall,
  openingFrame,
  spaced,
  fasteners,
  lift,
  concrete,
  rebar,
  footingSteps,
  trench,
  bins,
  binSwap,
  dryTime,
  fillBack,
  drainRun,
  drainFittings,
  ventDuct,
  thermal,
  cabinetRun,
  corner,
  niche,
  counterHeights,
  doorPassage,
  slidingOpening,
  stairs,
  guards,
  furniture,
  getIn,
  escapeWindow,
  windowWell,
  flush,
  lining,
  bulkhead,
  levels,
  levelThrough,
  priceChange,
  orderByCalculator,
  remainingWorkCalculator,
  trips,
  parseLengthCalculator,
  formatLengthCalculator,
];

const byName = new Map(CALCULATORS.map((calculator) => [calculator.name, calculator]));

export const calculatorNamed = (name: string): AnyCalculator | undefined => byName.get(name);

/** Runs a calculator by its name. @returns what it gives, or a problem that names the field */
export function calculate(name: string, input: unknown): Outcome<Record<string, unknown>> {
  return (
    byName.get(name)?.run(input) ??
    refuse({ code: 'unknown-calculator', message: `There is no calculator “${name}”.`, field: 'calculator' })
  );
}
