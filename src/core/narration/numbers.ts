/**
 * Numbers as they are spoken or written: `3`, `2.4`, `3/4`, `a dozen`, `thirty four`, `eighteen hundred`,
 * `two point four`, `thirty four and three quarters`, and the builder's pairs `eighteen forty` (1840), `two seven
 * fifty` (2750).
 */
export interface Spoken {
  value: number;
  /** First word after it. */
  to: number;
  /** Said with a fraction: then it is inches where no unit follows. */
  fraction: boolean;
  /** Said in pairs of digits: then it is millimetres (or centimetres after metres). */
  pairs: boolean;
}

const ONES: Readonly<Record<string, number>> = Object.fromEntries(
  (
    'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen ' +
    'seventeen eighteen nineteen'
  )
    .split(' ')
    .map((word, value) => [word, value]),
);
const TENS: Readonly<Record<string, number>> = Object.fromEntries(
  'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, index) => [word, 20 + 10 * index]),
);
const PARTS: Readonly<Record<string, number>> = {
  half: 2,
  halves: 2,
  third: 3,
  thirds: 3,
  quarter: 4,
  quarters: 4,
  fourths: 4,
  eighth: 8,
  eighths: 8,
  sixteenth: 16,
  sixteenths: 16,
};
const DIGITS = /^\d{1,6}(?:\.\d+)?$/;

/** Whether a number can begin with this word: most cannot, and are passed over at once. */
export const mayCount = (word: string): boolean => {
  const first = word.charCodeAt(0);
  return (
    (first >= 48 && first <= 57) ||
    word in ONES ||
    word in TENS ||
    word === 'a' ||
    word === 'an' ||
    word === 'half' ||
    word === 'dozen' ||
    word === 'oh'
  );
};

interface Group {
  value: number;
  to: number;
}

/** One group under a hundred: `thirty four`, `eighteen`, `7`. */
function group(words: readonly string[], at: number): Group | undefined {
  const word = words[at] ?? '';
  const tens = TENS[word];
  if (tens !== undefined) {
    const ones = ONES[words[at + 1] ?? ''];
    return ones !== undefined && ones > 0 && ones < 10
      ? { value: tens + ones, to: at + 2 }
      : { value: tens, to: at + 1 };
  }
  const one = ONES[word];
  if (one !== undefined) return { value: one, to: at + 1 };
  return word === 'oh' ? { value: 0, to: at + 1 } : undefined;
}

/** `3/4`, `half`, `three quarters`, `a quarter`: part of one, where such stands here. */
export function partAt(words: readonly string[], at: number): Group | undefined {
  if (!mayCount(words[at] ?? '')) return undefined;
  const written = /^(\d{1,3})\/(\d{1,3})$/.exec(words[at] ?? '');
  if (written && Number(written[2]) > 0) return { value: Number(written[1]) / Number(written[2]), to: at + 1 };
  if (words[at] === 'half') return { value: 0.5, to: at + 1 };
  const many =
    words[at] === 'a' || words[at] === 'an'
      ? 1
      : (ONES[words[at] ?? ''] ?? (/^\d$/.test(words[at] ?? '') ? Number(words[at]) : undefined));
  const part = PARTS[words[at + 1] ?? ''];
  return many !== undefined && part !== undefined && many > 0 ? { value: many / part, to: at + 2 } : undefined;
}

type Whole = Group & { pairs: boolean };

function wholeAt(words: readonly string[], at: number): Whole | undefined {
  const word = words[at] ?? '';
  if (DIGITS.test(word)) return { value: Number(word), to: at + 1, pairs: false };
  if (/^\d{1,3},\d{3}$/.test(word)) return { value: Number(word.replace(',', '')), to: at + 1, pairs: false };
  if (word === 'a' && words[at + 1] === 'dozen') return { value: 12, to: at + 2, pairs: false };
  if (word === 'dozen') return { value: 12, to: at + 1, pairs: false };
  if (word === 'oh') return undefined;
  // “A hundred and ten”, “a thousand”.
  const one = word === 'a' && /^(?:hundred|thousand)$/.test(words[at + 1] ?? '');
  const first = one ? { value: 1, to: at + 1 } : group(words, at);
  if (!first) return undefined;
  const unit = words[first.to];
  const next = words[first.to + 1] === 'and' ? first.to + 2 : first.to + 1;
  if (unit === 'thousand') {
    const rest = wholeAt(words, next);
    return together(first, 1000, rest && rest.value < 1000 ? rest : undefined);
  }
  return unit === 'hundred' ? together(first, 100, group(words, next)) : inPairs(words, first);
}

/** `eighteen` hundred and `forty`. */
const together = (many: Group, unit: number, rest: Group | undefined): Whole => ({
  value: many.value * unit + (rest?.value ?? 0),
  to: rest?.to ?? many.to + 1,
  pairs: false,
});

/** The builder's pairs: `eighteen forty`, `two seven fifty`; up to four digits. */
function inPairs(words: readonly string[], first: Group): Whole {
  let { value, to } = first;
  let digits = String(value);
  for (
    let next = group(words, to);
    next && value > 0 && digits.length + String(next.value).length <= 4;
    next = group(words, to)
  ) {
    digits += String(next.value);
    to = next.to;
  }
  value = Number(digits);
  return { value, to, pairs: to !== first.to };
}

/** The number that begins at this word, the longest reading; undefined where none does. */
export function numberAt(words: readonly string[], at: number): Spoken | undefined {
  const alone = partAt(words, at);
  if (alone) return { ...alone, fraction: true, pairs: false };
  const whole = wholeAt(words, at);
  if (!whole) return undefined;
  let { value, to } = whole;
  if (words[to] === 'point') {
    let digits = '';
    let next = group(words, to + 1);
    for (let from = to + 1; next; next = group(words, from)) {
      digits += String(next.value);
      from = next.to;
      to = next.to;
      if (digits.length > 4) break;
    }
    if (digits !== '') return { value: Number(`${value}.${digits}`), to, fraction: false, pairs: false };
  }
  const fraction = partAt(words, words[to] === 'and' ? to + 1 : to);
  if (fraction && (words[to] === 'and' || /\//.test(words[to] ?? '') || words[fraction.to - 1] !== 'half')) {
    value += fraction.value;
    return { value, to: fraction.to, fraction: true, pairs: whole.pairs };
  }
  return { value, to, fraction: false, pairs: whole.pairs };
}
