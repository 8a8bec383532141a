/** What an answer to a slip comes to, against waiting. */
export interface Comparable {
  key: string;
  title: string;
  /** Worked days by which the job that slipped ends sooner than by waiting. */
  won: number;
  /** Worked days that promises are missed by, over all jobs. */
  lateInAll: number;
  /** Trips of crews more than by waiting. */
  trips: number;
  /** Who would have to be told of a visit that moves. */
  people: number;
  /** Days that were confirmed or are set for the next days and cannot be kept. */
  conflicts: number;
  /** Nights of a household with something missing that nobody should be without. */
  nights: number;
  /** Days off that are worked. */
  daysOff: number;
  /** What it costs more than waiting, in hundredths, as far as prices are known. */
  cost: number;
  /** What lies open longer than it may. */
  open: number;
  /** What the whole plan comes to by the firm's weights, days off with it: the fewer the better. */
  points: number;
}

/**
 * What a worked day off comes to in points: as much as three quarters of a day late, since everybody who comes is paid half as
 * much again, and they and the neighbours have to be asked.
 */
export const DAY_OFF = 30;

/** What is compared one by one; each is the better the smaller it is. */
const SIDES: readonly { of: (one: Comparable) => number; words: string }[] = [
  { of: ({ won }) => -won, words: 'wins more' },
  { of: ({ lateInAll }) => lateInAll, words: 'is less late' },
  { of: ({ open }) => open, words: 'leaves less open' },
  { of: ({ conflicts }) => conflicts, words: 'keeps more of what was confirmed' },
  { of: ({ nights }) => nights, words: 'leaves the household better off' },
  { of: ({ daysOff }) => daysOff, words: 'works on fewer days off' },
  { of: ({ cost }) => cost, words: 'costs less' },
  { of: ({ trips }) => trips, words: 'takes fewer trips' },
  { of: ({ people }) => people, words: 'moves fewer people' },
];

/**
 * Answers by the firm's weights, the best first, and those that are no better than another one, each with why.
 * @param wait what nobody acting comes to: it is compared with, and never folded
 */
export function compareAnswers<Answer extends Comparable>(
  wait: Comparable,
  answers: readonly Answer[],
): { best: Answer[]; folded: { answer: Answer; why: string }[] } {
  const best: Answer[] = [];
  const folded: { answer: Answer; why: string }[] = [];
  for (const answer of [...answers].sort((a, b) => a.points - b.points || (a.key < b.key ? -1 : 1))) {
    const why = dearer(answer, wait) ?? noBetter(answer, [wait, ...best]);
    if (why === undefined) best.push(answer);
    else folded.push({ answer, why });
  }
  return { best, folded };
}

/** Nothing is offered that the firm's own weights call worse than waiting, unless less lies open by it. */
const dearer = (answer: Comparable, wait: Comparable): string | undefined =>
  answer.points > wait.points && answer.open >= wait.open
    ? `worse than “${wait.title}” by what the firm weighs: ends, trips and visits that move`
    : undefined;

/** Why one is no better than one of these; nothing where it is better than each in something. */
function noBetter(answer: Comparable, others: readonly Comparable[]): string | undefined {
  for (const other of others) {
    if (SIDES.some(({ of }) => of(answer) < of(other))) continue;
    const more = SIDES.filter(({ of }) => of(other) < of(answer)).map(({ words }) => words);
    return more.length === 0 ? `comes to the same as “${other.title}”` : `“${other.title}” ${more.join(', ')}`;
  }
  return undefined;
}
