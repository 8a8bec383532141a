import { pattern } from '../pattern';
import { lengthAt, type SpokenLength } from './spoken-length';

/** One or two sizes of one thing, the last word of whoever corrected himself. */
export interface MeasureSaid {
  from: number;
  to: number;
  first: SpokenLength;
  second?: SpokenLength;
}

const CORRECTS =
  / (?:no|sorry|wait|hang on|hold on|rather|scratch that|make that|i mean|correction|actually|let us say|i tell a lie|read that wrong) /;
const DIMENSION = pattern(
  '',
  ' (?:wide|width|high|height|deep|depth|long|length|tall|clear|across|thick|headroom|',
  'opening|ceiling|sill|reveal|span|wall to wall|corner to corner|floor to|from|to the|',
  'i make|i make it|i get|i have got|measures|comes out at|centre to centre|on centre|',
  'diameter|clearance|inside|overall|rough|by|gap|rise|run|drop|off the floor) ',
);
/** After a unit in the singular these go on speaking of the size; a noun would make it “a four inch pipe”. */
const GOES_ON = pattern(
  '',
  '^(?:|wide|high|deep|long|tall|clear|across|thick|by|and|from|to|off|at|here|up|under|',
  'down|so|but|no|is|in|on|above|below|between|each|all|overall|there|or|then|now|sorry|',
  'wait|hang|which|that|it|the|i|we|this|a|for|with|over|before|away|either|wall|square|',
  'exactly|dead|bang|plus|minus|give|just|floor|inside|outside|tight|short|if)$',
);

/**
 * Sizes in one sentence: “five foot two wide by three foot nine high”, “eighteen hundred, no, eighteen forty wide, and
 * two seven fifty”. Counts, lumber (“a two by four”), amounts (“four feet of it”) and areas are none.
 */
export function measuresSaid(words: readonly string[], metric: boolean, certain = false): MeasureSaid[] {
  const found: (SpokenLength & { metres?: boolean })[] = [];
  for (let at = 0; at < words.length; at++) {
    const before = words[at - 1] ?? '';
    const chained = before === 'by' ? found.find((entry) => entry.to === at - 1 || entry.to === at - 2) : undefined;
    const length = lengthAt(words, at, metric, chained);
    if (!length) continue;
    const isLumber =
      /^(?:one|two|three|four|six|eight|2|4|6|8|1|3)$/.test(words[at] ?? '') &&
      words[at + 1] === 'by' &&
      /^(?:two|three|four|six|eight|ten|twelve|2|4|6|8|10|12|fours|sixes|sixs|tens)$/.test(words[at + 2] ?? '') &&
      !/^(?:metres?|feet|foot|inches|inch|hundred|and|point)$/.test(words[at + 3] ?? '');
    if (isLumber) {
      at += 2;
      continue;
    }
    const unit = words[length.to - 1] ?? '';
    const next = words[length.to] ?? '';
    const describes =
      /^(?:foot|inch|metre|meter|mil|millimetre|mm)$/.test(unit) && !GOES_ON.test(next) && length.to === at + 2;
    const amount =
      next === 'of' ||
      pattern(
        '',
        '^(?:square|cubic|percent|%|weeks?|days?|months?|hours?|minutes?|coats?|years?|times|',
        String.raw`o'clock|pieces|sheets|boxes|people|doors|windows|guys)$`,
      ).test(next) ||
      /^(?:square|number|unit|flat|room)$/.test(before) ||
      (!length.sure && /^(?:at|before|after|past|until|till)$/.test(before));
    if (!describes && !amount) found.push(length);
    at = length.to - 1;
  }
  return grouped(words, found, metric, certain);
}

/** “The room's twelve by sixteen” are feet. */
const ROOMS = / (?:room|rooms|bedroom|space|hall|floor|deck|yard|area|patio|garage|shed|wall to wall) /;
const inFeet = (side: SpokenLength): SpokenLength => ({
  ...side,
  value: side.value * 12,
  mm: side.mm * 12,
  sure: true,
});

const corrects = (between: string): boolean => CORRECTS.test(between) || between === ' no ';

function grouped(
  words: readonly string[],
  found: readonly SpokenLength[],
  metric: boolean,
  certain: boolean,
): MeasureSaid[] {
  const text = (from: number, to: number): string => ` ${words.slice(from, to).join(' ')} `;
  const measures: MeasureSaid[] = [];
  for (const length of found) {
    const last = measures.at(-1);
    const between = last ? text(last.to, length.from).replace(/ ,/g, '') : '';
    const near = last !== undefined && length.from - last.to <= 12;
    if (last && near && corrects(between)) {
      // He corrected himself: the same side, said anew.
      if (last.second) last.second = length;
      else last.first = length;
      last.to = length.to;
    } else if (
      last &&
      near &&
      !last.second &&
      (/ by $/.test(between) ||
        /^ (?:(?:wide|high|deep|long|tall|clear|across) )?(?:by|and|x) (?:a |about )?$/.test(between) ||
        / (?:wide|high|deep|long|tall)(?: and)? (?:about )?$/.test(between) ||
        (length.sure && length.from - last.to <= 4 && / and (?:then )?(?:about )?$/.test(between)))
    ) {
      last.second = length;
      last.to = length.to;
    } else measures.push({ from: length.from, to: length.to, first: length });
  }
  for (const one of measures)
    if (
      one.second &&
      !metric &&
      [one.first, one.second].every((side) => !side.sure && Number.isInteger(side.value) && side.value <= 40) &&
      ROOMS.test(text(0, words.length))
    )
      [one.first, one.second] = [inFeet(one.first), inFeet(one.second)];
  return certain
    ? toldSizes(measures)
    : measures.filter(
        (measure) =>
          measure.first.sure ||
          measure.second?.sure === true ||
          (DIMENSION.test(text(Math.max(0, measure.from - 8), measure.to + 3)) &&
            measure.first.mm >= 20 &&
            (measure.second !== undefined || measure.first.value >= 10)),
      );
}

/** Where it is known that a size is told, a bare number is one. */
function toldSizes(measures: readonly MeasureSaid[]): MeasureSaid[] {
  const sure = measures.filter((measure) => measure.first.sure || measure.second?.sure === true);
  return sure.length > 0 ? sure : measures.filter((measure) => measure.first.value > 3);
}
