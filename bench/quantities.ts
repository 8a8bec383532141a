import { ASSEMBLIES } from '@/core/assemblies/catalogue';
import { drawnAnswers, setAssembly } from '@/core/assemblies/set';
import { estimateOf, rowsByArea, type EstimateEntry } from '@/core/money/estimate';
import { linePrice } from '@/core/money/line-price';
import { currencyOf, NO_CURRENCY } from '@/core/units/money';
import { measuresOf } from '@/core/layout/measures';
import { measured, type Opening, type RoomShape } from '@/core/layout/shape';
import { solveCuts } from '@/core/quantities/cut-solver';
import { CALCULATORS } from '@/core/quantities/registry';
import { recalculate, usualFeeds, type Calculation } from '@/core/scope/feed';
import { materialsList, type Needed } from '@/core/scope/materials';
import { figure, inTurn, median, type Figure } from './measure';

const AREAS = 40;
const ITEMS = 300;
const PIECES = 60;
/** What a cut list may take where somebody waits for it. */
const PATIENCE_MS = 200;
/** Those that people keep in areas; a cut list is a question of its own. */
const KEPT = CALCULATORS.filter((calculator) => calculator.name !== 'cut-list');

interface BenchArea {
  shape: RoomShape;
  openings: Opening[];
  calculations: Calculation[];
}

/** A job of the size that is asked about: every area drawn, every calculation fed by its drawing where it can be. */
function job(): BenchArea[] {
  const opening = (id: string, wall: number): Opening => ({
    id,
    wall,
    kind: 'window',
    name: 'W',
    width: measured(1200),
    height: measured(1100),
    sill: measured(900),
    along: measured(600),
    count: 1,
    hinge: 'left',
    opensIn: true,
    clear: null,
  });
  const areas = Array.from({ length: AREAS }, (_, index): BenchArea => ({
    shape: {
      kind: 'room',
      height: measured(2600),
      spread: false,
      walls: [4000 + index * 10, 3000, 4000 + index * 10, 3000].map((mm) => ({ ...measured(mm), turn: 90 })),
    },
    openings: [opening(`${index}a`, 0), opening(`${index}b`, 2)],
    calculations: [],
  }));
  for (let item = 0; item < ITEMS; item++) {
    const area = areas[item % AREAS];
    const calculator = KEPT[item % KEPT.length];
    if (area && calculator)
      area.calculations.push({
        calculator: calculator.name,
        input: calculator.example,
        fed: usualFeeds(calculator.asks, measuresOf(area.shape, area.openings)),
      });
  }
  return areas;
}

function recompute(areas: readonly BenchArea[]): number {
  const needed: Needed[] = [];
  for (const [at, area] of areas.entries()) {
    const measures = measuresOf(area.shape, area.openings);
    for (const calculation of area.calculations) {
      const outcome = recalculate(calculation, measures, 'metric');
      if (outcome.ok)
        needed.push(
          ...outcome.value.purchases.map((purchase) => ({
            ...purchase,
            unitPrice: 100,
            price: purchase.price ?? null,
            supplier: '',
            trade: null,
            area: String(at),
            needBy: null,
          })),
        );
    }
  }
  return materialsList(needed, NO_CURRENCY).length;
}

/** As many lines as there are items, by the assemblies that a room takes, each priced, and the price by rooms. */
function price(areas: readonly BenchArea[]): number {
  const currency = currencyOf('EUR');
  const rooms = ASSEMBLIES.filter(({ kinds }) => kinds.includes('room'));
  const entries: EstimateEntry[] = [];
  for (let at = 0; entries.length < ITEMS; at += 1) {
    const [area, assembly] = [areas[at % AREAS], rooms[at % rooms.length]];
    if (!area || !assembly) continue;
    const drawn = drawnAnswers(assembly.asks, measuresOf(area.shape, area.openings));
    const asked = Object.fromEntries(Object.entries(assembly.asks).map(([name, ask]) => [name, ask.usual ?? 4]));
    const set = setAssembly(assembly, { ...asked, ...drawn.answers }, drawn.fed, 'metric');
    for (const line of set.ok ? set.value.lines : [])
      entries.push({
        ...linePrice(
          { way: 'parts', unitPrice: 250, hours: line.hours },
          { quantity: line.quantity, bought: 12_345, trade: line.trade, perHour: 4500 },
          currency,
        ),
        ...{ key: `${at} ${line.key}`, kind: 'line', area: String(at % AREAS), conditional: false, text: line.subject },
      });
  }
  const estimate = estimateOf(entries, { markup: 0.15, taxRate: 0.2, taxShown: 'within', currency });
  const rows = rowsByArea(
    estimate,
    areas.map((_, at) => ({ id: String(at), name: String(at) })),
    { wholeJob: '', allowances: '' },
  );
  return rows.length;
}

/** A job’s full quantities against reading the same job; cut lists of sixty pieces against what somebody waits. */
export async function quantityFigures(): Promise<Figure[]> {
  const areas = job();
  const text = JSON.stringify(areas);
  const [quantities = [], parse = [], prices = []] = await inTurn(60, [
    () => recompute(areas),
    () => JSON.parse(text) as unknown,
    () => price(areas),
  ]);
  const lists = Array.from({ length: 24 }, (_, seed) =>
    Array.from(
      { length: PIECES },
      (__, index) => 200 + (((index + 1) * 7919 + seed * 104_729) % (seed % 3 === 0 ? 3000 : 1500)),
    ),
  );
  const stock = [3600, 4800, 6000].map((length) => ({ length, cost: length }));
  const times: number[] = [];
  let exact = 0;
  for (const pieces of [...lists.slice(0, 2), ...lists]) {
    const began = performance.now();
    const plan = solveCuts(pieces, stock, 3);
    times.push(performance.now() - began);
    exact += Number(plan.exact);
  }
  const measuredTimes = times.slice(2);
  return [
    figure(
      `quantities and materials of ${AREAS} areas and ${ITEMS} items`,
      median(quantities),
      'ms',
      'JSON.parse of the same job',
      median(parse),
    ),
    figure(
      `prices and assemblies of ${AREAS} areas and ${ITEMS} lines`,
      median(prices),
      'ms',
      'quantities of the same job',
      median(quantities),
    ),
    figure(
      `cut list of ${PIECES} pieces, the slowest of ${lists.length}`,
      Math.max(...measuredTimes),
      'ms',
      `${PATIENCE_MS} ms`,
      PATIENCE_MS,
    ),
    figure(`cut list of ${PIECES} pieces, proven best`, exact, 'lists', `${lists.length + 2} lists`, lists.length + 2),
  ];
}
