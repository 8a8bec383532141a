import { ceil } from '../units/rounding';

/** Stock that can be bought in any number; `cost` is what is kept low: its length, or its price. */
export interface Stock {
  length: number;
  cost: number;
}

interface CutStick {
  stock: number;
  /** Lengths of its pieces, the longest first. */
  pieces: number[];
}

export interface CutPlan {
  sticks: CutStick[];
  cost: number;
  /** No plan costs less than this. */
  bound: number;
  /** Proven: nothing cheaper, and nothing as cheap with fewer sticks. */
  exact: boolean;
}

/** Work that one call may do, in patterns looked at: about a tenth of a second. */
const MOST_PATTERNS = 5_000;
/** Patterns for one stick that are compared at one branch. */
const MOST_AT_A_BRANCH = 120;
const SHUFFLES = 160;
const TINY = 1e-6;

interface Cutting {
  /** Different lengths, the longest first, and how many of each. */
  lengths: number[];
  stocks: Stock[];
  kerf: number;
  /** Costs that some set of sticks can have, for rounding a bound up. */
  roundUp: (cost: number) => number;
}

interface Pattern {
  stock: number;
  counts: number[];
  left: number;
}

/**
 * Cuts pieces from stock for the least cost, then the fewest sticks; one kerf between two pieces of a stick and none
 * past the last. Shuffled first-fit gives a good plan; a branch and bound over maximal patterns (the longest piece left
 * is always cut next) proves or betters it. It stops after a fixed amount of work, so that it always ends; the bound
 * then says how far off it could be.
 * @param pieces each at most as long as the longest stock
 */
export function solveCuts(pieces: readonly number[], stock: readonly Stock[], kerf: number): CutPlan {
  const stocks = undominated(stock);
  const lengths = [...new Set(pieces)].sort((a, b) => b - a);
  const counts = lengths.map((length) => pieces.filter((piece) => piece === length).length);
  const cutting: Cutting = { lengths, stocks, kerf, roundUp: attainable(stocks) };
  const bound = lowerBound(cutting, counts);
  let best = shuffled(cutting, pieces);
  const search = branchAndBound(cutting, counts, best, bound);
  best = search.best;
  const fewest = ceil(
    sumOf(lengths.map((length, index) => (counts[index] ?? 0) * (length + kerf))) /
      (Math.max(...stocks.map((entry) => entry.length)) + kerf),
  );
  const proven = search.complete || (costOf(cutting, best) <= bound + TINY && best.length <= fewest);
  return {
    sticks: best
      .map((pattern) => stickOf(cutting, pattern))
      .sort((a, b) => b.stock - a.stock || (b.pieces[0] ?? 0) - (a.pieces[0] ?? 0)),
    cost: costOf(cutting, best),
    bound: search.complete ? costOf(cutting, best) : bound,
    exact: proven,
  };
}

/** Stock that is neither longer nor cheaper than another is never taken. The shortest first. */
function undominated(stock: readonly Stock[]): Stock[] {
  return stock
    .filter(
      (entry, index) =>
        !stock.some(
          (other, where) =>
            other.length >= entry.length &&
            other.cost <= entry.cost &&
            (other.length > entry.length || other.cost < entry.cost || where < index),
        ),
    )
    .sort((a, b) => a.length - b.length);
}

const sumOf = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const costOf = (cutting: Cutting, plan: readonly Pattern[]): number =>
  sumOf(plan.map((pattern) => cutting.stocks[pattern.stock]?.cost ?? 0));

/**
 * Only sums of stock costs can be paid: 3600s and 3000s never make 7000. Left alone where costs have no common measure.
 */
function attainable(stocks: readonly Stock[]): (cost: number) => number {
  const scaled = stocks.map((stock) => Math.round(stock.cost * 100));
  if (stocks.some((stock, index) => Math.abs(stock.cost * 100 - (scaled[index] ?? 0)) > 1e-6)) return (cost) => cost;
  const common = scaled.reduce((a, b) => gcd(a, b), 0);
  if (common === 0) return (cost) => cost;
  const steps = scaled.map((entry) => entry / common);
  const most = 20_000;
  const reached = new Uint8Array(most + 1);
  reached[0] = 1;
  for (let at = 1; at <= most; at++) if (steps.some((step) => at >= step && reached[at - step])) reached[at] = 1;
  return (cost) => {
    let at = Math.ceil((cost * 100) / common - 1e-7);
    while (at <= most && !reached[at]) at += 1;
    return (at * common) / 100;
  };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * What the remaining pieces must cost: by material at the best rate, or by pieces so long that no two share a stick.
 */
function lowerBound({ lengths, stocks, kerf, roundUp }: Cutting, counts: readonly number[]): number {
  const rate = Math.min(...stocks.map((stock) => stock.cost / (stock.length + kerf)));
  const longest = Math.max(...stocks.map((stock) => stock.length));
  let [material, alone] = [0, 0];
  lengths.forEach((length, index) => {
    const count = counts[index] ?? 0;
    material += count * (length + kerf);
    if (2 * length + kerf > longest + TINY)
      alone += count * Math.min(...stocks.filter((stock) => stock.length >= length - TINY).map((stock) => stock.cost));
  });
  return roundUp(Math.max(material * rate, alone) - TINY);
}

/** A generator of numbers that is the same everywhere: plans do not differ between machines. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}

function shuffled(cutting: Cutting, pieces: readonly number[]): Pattern[] {
  const random = seeded(7);
  const order = [...pieces].sort((a, b) => b - a);
  let best: Pattern[] | undefined;
  for (let round = 0; round < SHUFFLES; round++) {
    // The first rounds go by length alone, one stock after the other; later ones blur the order a little more each
    // time.
    const blur = round < cutting.stocks.length ? 0 : (round / SHUFFLES) * 0.6;
    const weighed = order
      .map((length) => ({ length, weight: length * (1 + blur * (random() - 0.5)) }))
      .sort((a, b) => b.weight - a.weight);
    const plan = firstFit(
      cutting,
      weighed.map(({ length }) => length),
      round % cutting.stocks.length,
    );
    if (!best || better(cutting, plan, best)) best = plan;
  }
  return best ?? [];
}

const better = (cutting: Cutting, plan: readonly Pattern[], than: readonly Pattern[]): boolean => {
  const difference = costOf(cutting, plan) - costOf(cutting, than);
  return difference < -TINY || (difference <= TINY && plan.length < than.length);
};

/**
 * First fit on sticks of one stock (the next longer where a piece needs it), each stick then exchanged for the cheapest
 * that holds it.
 */
function firstFit({ lengths, stocks, kerf }: Cutting, order: readonly number[], preferred: number): Pattern[] {
  const sticks: { stock: number; left: number; counts: number[] }[] = [];
  for (const length of order) {
    let stick = sticks.find((stick) => stick.left >= length - TINY);
    if (!stick) {
      const stock = stocks.findIndex((stock, index) => index >= preferred && stock.length >= length - TINY);
      const taken = stock === -1 ? stocks.length - 1 : stock;
      stick = { stock: taken, left: stocks[taken]?.length ?? 0, counts: lengths.map(() => 0) };
      sticks.push(stick);
    }
    const at = lengths.indexOf(length);
    stick.counts[at] = (stick.counts[at] ?? 0) + 1;
    stick.left -= length + kerf;
  }
  return sticks.map(({ counts, stock, left }) => {
    const used = (stocks[stock]?.length ?? 0) - left - kerf;
    const fitting = stocks
      .map((entry, index) => ({ ...entry, at: index }))
      .filter((entry) => entry.length >= used - TINY)
      .sort((a, b) => a.cost - b.cost || b.length - a.length)[0];
    return { stock: fitting?.at ?? stock, counts, left: (fitting?.length ?? 0) - used };
  });
}

/** Patterns of one stock that hold the piece `first` and could hold nothing more, the fullest first. */
function patternsFor(
  { lengths, stocks, kerf }: Cutting,
  counts: readonly number[],
  first: number,
  stock: number,
): { patterns: Pattern[]; all: boolean } {
  const patterns: Pattern[] = [];
  const chosen = lengths.map(() => 0);
  const size = stocks[stock]?.length ?? 0;
  let all = true;
  const fill = (from: number, left: number): void => {
    if (patterns.length >= MOST_AT_A_BRANCH) {
      all = false;
      return;
    }
    if (from === lengths.length) {
      const more = lengths.some(
        (length, index) => (counts[index] ?? 0) > (chosen[index] ?? 0) && length <= left + TINY,
      );
      if (!more) patterns.push({ stock, counts: [...chosen], left });
      return;
    }
    const length = lengths[from] ?? 0;
    const most = Math.min(counts[from] ?? 0, Math.floor((left + kerf + TINY) / (length + kerf)));
    for (let many = most; many >= (from === first ? 1 : 0); many--) {
      chosen[from] = many;
      fill(from + 1, left - many * (length + kerf));
    }
    chosen[from] = 0;
  };
  if ((lengths[first] ?? 0) <= size + TINY) fill(first, size);
  return { patterns: patterns.sort((a, b) => a.left - b.left), all };
}

function branchAndBound(
  cutting: Cutting,
  start: readonly number[],
  known: Pattern[],
  rootBound: number,
): { best: Pattern[]; complete: boolean } {
  let best = known;
  let [bestCost, looked, complete] = [costOf(cutting, known), 0, true];
  const seen = new Map<string, { cost: number; sticks: number }>();
  const longest = Math.max(...cutting.stocks.map((stock) => stock.length)) + cutting.kerf;
  const fewestMore = (counts: readonly number[]): number =>
    Math.ceil(
      sumOf(counts.map((count, index) => count * ((cutting.lengths[index] ?? 0) + cutting.kerf))) / longest - 1e-9,
    );
  const visit = (counts: number[], cost: number, plan: Pattern[]): void => {
    const first = counts.findIndex((count) => count > 0);
    if (first === -1) {
      if (cost < bestCost - TINY || (cost <= bestCost + TINY && plan.length < best.length))
        [best, bestCost] = [[...plan], cost];
      return;
    }
    const least = cost + lowerBound(cutting, counts);
    if (least > bestCost + TINY || (least > bestCost - TINY && plan.length + fewestMore(counts) >= best.length)) return;
    const key = counts.join();
    const before = seen.get(key);
    if (before && (before.cost < cost - TINY || (before.cost <= cost + TINY && before.sticks <= plan.length))) return;
    seen.set(key, { cost, sticks: plan.length });
    for (let stock = cutting.stocks.length - 1; stock >= 0; stock--) {
      const { patterns, all } = patternsFor(cutting, counts, first, stock);
      looked += patterns.length;
      if (!all) complete = false;
      for (const pattern of patterns) {
        if (looked > MOST_PATTERNS) {
          complete = false;
          return;
        }
        plan.push(pattern);
        visit(
          counts.map((count, index) => count - (pattern.counts[index] ?? 0)),
          cost + (cutting.stocks[stock]?.cost ?? 0),
          plan,
        );
        plan.pop();
      }
    }
  };
  // A plan that costs no more than the bound and takes no more sticks than the material needs cannot be bettered.
  if (bestCost > rootBound + TINY || best.length > fewestMore(start)) visit([...start], 0, []);
  return { best, complete };
}

function stickOf({ lengths, stocks }: Cutting, pattern: Pattern): CutStick {
  return {
    stock: stocks[pattern.stock]?.length ?? 0,
    pieces: lengths.flatMap((length, index) => Array.from({ length: pattern.counts[index] ?? 0 }, () => length)),
  };
}
