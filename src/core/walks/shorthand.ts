import { pattern } from '../pattern';
import type { Reading } from '../narration/draft';
import { choiceSaid, daysSaid, problemSaid, quantitySaid, stateSaid } from '../narration/fields-said';
import { phaseSaid, tradeSaid } from '../narration/lexicon';
import { answer, refuse, type Outcome } from '../problem';
import { isPassedByName } from '../sequence/inspections';
import { phaseFacts, type Phase } from '../sequence/phases';
import { isTrade, TRADE_KEYS, TRADES, type Trade } from '../sequence/trades';
import { STANCE_KEYS, type Inclusion } from '../sites/area';
import { readNumber } from '../units/number';
import { weekday, type Day } from '../units/day';
import { formatLength, parseLength, type LengthSystem } from '../units/length';

/**
 * One line, one record, for thumbs.
 *
 * | sign | says | example |
 * |---|---|---|
 * | none | how far a step is | `tape 60`, `framing done`, `wires half` |
 * | `+` | still to do | `+ 3 backing blocks over basin @carpentry` |
 * | a stance | scope | `out painting the gable`, `keep water`, `if rotten, new sill` |
 * | `#` | a size | `# opening 890 x 2030` |
 * | `=` | chosen | `= tile 100x300 sage` |
 * | `>` | an order | `> end panel wrong, 12 days` |
 * | `?` | to be checked | `? wall may carry; else props` |
 * | `!` | can hurt | `! open edge` |
 * | `*` | decided | `* client wants flat casing` |
 * | `^` | inspection, approval | `^ wiring inspection fri` |
 * | `~` | found, not expected | `~ second drain under the slab` |
 * | `&` | the household | `& baby sleeps till three` |
 * | `$` | need material | `$ 2 tubes sealant` |
 * | else | a note | `smells of damp` |
 *
 * `Kitchen:` in front names another area.
 */
export const SIGNS: readonly (readonly [string, string, string])[] = [
  ['+', 'still to do', '+ 3 backing blocks @carpentry'],
  ['!', 'caution', '! open edge'],
  ['#', 'size', '# opening 890 x 2030'],
  ['>', 'order', '> end panel wrong, 12 days'],
  ['?', 'to be checked', '? wall may carry; else props'],
  ['*', 'decided', '* client wants flat casing'],
  ['~', 'surprise', '~ second drain'],
  ['=', 'chosen', '= tile sage'],
  ['^', 'inspection', '^ wiring inspection fri'],
  ['&', 'household', '& baby sleeps till three'],
  ['$', 'need material', '$ 2 tubes sealant'],
];

/** Whether a line says by a sign what it is. */
export const startsWithSign = (typed: string): boolean => SIGNS.some(([sign]) => typed.trimStart().startsWith(sign));

export interface ShortTerms {
  area: string;
  areas: readonly { id: string; name: string }[];
  /** Steps of the areas, so that only what is there can be set. */
  steps: (area: string) => readonly { phase: Phase; label: string }[];
  system: LengthSystem;
  /** What the client is called, where that is known. */
  client?: string;
  /** From which a weekday is counted: “late till fri”. */
  today?: Day;
}

export type ShortLine = { area: string } & (
  Reading | { kind: 'note'; subject: string } | { kind: 'short'; subject: string; quantity?: number; unit?: string }
);

const STANCE_WORDS: Readonly<Record<string, Inclusion>> = {
  ...Object.fromEntries(STANCE_KEYS.map((stance) => [stance, stance])),
  if: 'conditional',
  keep: 'keep-live',
};
const WORD_FRACTIONS: Readonly<Record<string, number>> = {
  done: 1,
  finished: 1,
  complete: 1,
  ready: 1,
  nearly: 0.9,
  almost: 0.9,
  'nearly done': 0.9,
  'almost done': 0.9,
  half: 0.5,
  halfway: 0.5,
  started: 0.1,
  'just started': 0.1,
  begun: 0.1,
  'not started': 0,
  none: 0,
  'not begun': 0,
  'half done': 0.5,
  in: 1,
  'all in': 1,
  up: 1,
  down: 1,
  hung: 1,
  laid: 1,
  poured: 1,
  'not in': 0,
  'not up': 0,
  'not down': 0,
};

/**
 * What a short line says.
 * @returns the reading, or what is missing from it, in words for the line beneath the field
 */
export function readShorthand(typed: string, terms: ShortTerms): Outcome<ShortLine> {
  const named = namedArea(typed, terms.areas);
  const area = named?.id ?? terms.area;
  const text = (named?.rest ?? typed).normalize('NFC').replace(/\s+/g, ' ').trim();
  if (text === '')
    return refuse({ code: 'line-empty', message: 'Type what you see, like “tape 60” or “+ 3 blocks over the basin”.' });
  if (text.length > 600)
    return refuse({ code: 'line-long', message: 'A line has at most 600 characters; say the rest in another.' });
  const sign = text[0] ?? '';
  const rest = text.slice(1).trim();
  const signed = bySign(sign, rest, terms);
  if (signed)
    return rest === ''
      ? refuse({ code: 'line-empty', message: `After ${sign} comes what it is about.` })
      : signed.ok
        ? answer({ area, ...signed.value })
        : signed;
  const [first = '', ...others] = text.split(' ');
  const stance = STANCE_WORDS[first.toLowerCase()];
  if (stance && others.length > 0)
    return answer({ area, kind: 'scope', subject: others.join(' '), stance, ...counted(others) });
  const progress = readPassed(text, terms.steps(area)) ?? readProgress(text, terms.steps(area));
  return progress
    ? progress.ok
      ? answer({ area, ...progress.value })
      : progress
    : answer({ area, kind: 'note', subject: text });
}

/**
 * What a line says, where it may say two things: “cladding 60 % and seal 10 %” are two records. A line with a sign, or of
 * which a part says nothing by itself, is one.
 */
export function readLines(typed: string, terms: ShortTerms): Outcome<ShortLine[]> {
  const named = namedArea(typed, terms.areas);
  const before = named ? typed.slice(0, typed.length - named.rest.length) : '';
  const parts = (named?.rest ?? typed)
    .split(/\s*(?:;|,(?!\d)|\band\b|&(?=\s*\w+\s+\d))\s*/i)
    .map((part) => part.trim())
    .filter(Boolean);
  if (parts.length > 1) {
    const read = parts.map((part) => readShorthand(before + part, terms));
    const lines = read.flatMap((one) => (one.ok ? [one.value] : []));
    if (lines.length === parts.length && lines.every(({ kind }) => kind === 'progress')) return answer(lines);
    // A part that is a share of something, but of nothing that is here, must not vanish in the other.
    const refused = read.find((one, at) => !one.ok && SHARE.test(parts[at] ?? ''));
    if (refused && !refused.ok && lines.some(({ kind }) => kind === 'progress')) return refused;
  }
  const line = readShorthand(typed, terms);
  return line.ok ? answer([line.value]) : line;
}
/** “60 %”, “half”, “done” at the end of a part. */
const SHARE = /(?:\d\s*%?|half|done|finished|started)$/i;

/** How far, or who passed it. */
const shareSaid = ({ fraction = 0, passedBy }: Pick<Reading, 'fraction' | 'passedBy'>): string =>
  passedBy ? `passed by ${passedBy}` : String(Math.round(fraction * 100));

/** A reading as the short line that says it: what a draft is put right by. Reading it again gives the same. */
export function writeShorthand(
  line: Reading,
  steps: readonly { phase: Phase; label: string }[],
  system: LengthSystem,
): string {
  const has = (words: string | number | undefined): boolean =>
    words !== undefined && line.subject.includes(String(words));
  switch (line.kind) {
    case 'progress':
      return `${similar(steps, line.phase)?.label ?? line.subject} ${shareSaid(line)}`;
    case 'remaining':
      return [
        '+',
        line.quantity !== undefined && !/^\d/.test(line.subject) ? line.quantity : undefined,
        line.unit,
        line.subject,
        line.trade ? `@${line.trade}` : undefined,
      ]
        .filter((part) => part !== undefined)
        .join(' ');
    case 'scope':
      return (
        `${line.stance === 'conditional' ? 'if' : line.stance === 'keep-live' ? 'keep' : (line.stance ?? 'in')} ` +
        line.subject
      );
    case 'measurement':
      return (
        `# ${line.subject} ` +
        [line.mm, line.mm2].flatMap((mm) => (mm === undefined ? [] : [formatLength(mm, system)])).join(' x ')
      );
    case 'selection':
      return `= ${line.subject}${line.choice ? `: ${line.choice}` : ''}`;
    case 'order': {
      const problem = has(line.problem) ? undefined : line.problem;
      const days = line.days === undefined || has(line.days) ? undefined : `${line.days} days`;
      return `> ${[line.subject, problem, days].filter(Boolean).join(', ')}`;
    }
    case 'assumption':
      return `? ${line.subject}${line.fallback ? `; else ${line.fallback}` : ''}`;
    case 'gate':
      return `^ ${line.subject}${line.state && !has(line.state) ? `, ${line.state}` : ''}`;
    default:
      return `${{ caution: '!', decision: '*', surprise: '~', household: '&' }[line.kind]} ${line.subject}`;
  }
}

function namedArea(typed: string, areas: ShortTerms['areas']): { id: string; rest: string } | undefined {
  const at = typed.indexOf(':');
  if (at < 1 || at > 60) return undefined;
  const name = typed.slice(0, at).trim().toLowerCase();
  const found =
    areas.find((area) => area.name.toLowerCase() === name) ??
    only(areas.filter((area) => area.name.toLowerCase().startsWith(name)));
  return found && { id: found.id, rest: typed.slice(at + 1) };
}

const only = <Thing>(list: readonly Thing[]): Thing | undefined => (list.length === 1 ? list[0] : undefined);
const spoken = (text: string): string =>
  ` ${text
    .toLowerCase()
    .replace(/[.,;!?]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()} `;
const counted = (words: readonly string[]): { quantity?: number } => {
  const quantity = quantitySaid(words.map((word) => word.toLowerCase()));
  return quantity === undefined ? {} : { quantity };
};

type Line =
  Reading | { kind: 'note'; subject: string } | { kind: 'short'; subject: string; quantity?: number; unit?: string };

function bySign(sign: string, rest: string, { system, client, today }: ShortTerms): Outcome<Line> | undefined {
  const text = spoken(rest);
  switch (sign) {
    case '+': {
      const trade = tradeNamed(rest);
      if (trade && !trade.known)
        return refuse({
          code: 'trade-unknown',
          message: `“@${trade.word}” is no trade; write one like @carpentry or @wiring.`,
        });
      const subject = rest.replace(/@\S+/, '').trim();
      const whose = trade?.known ?? tradeSaid(text);
      return answer({ kind: 'remaining', ...split(subject), ...(whose ? { trade: whose } : {}) });
    }
    case '#':
      return readSize(rest, system);
    case '=': {
      const colon = rest.indexOf(':');
      const [subject = '', ...choice] =
        colon > 0 ? [rest.slice(0, colon).trim(), rest.slice(colon + 1).trim()] : rest.split(' ');
      return answer({ kind: 'selection', subject, choice: choice.join(' ') || (choiceSaid(text) ?? subject) });
    }
    case '>': {
      const days = daysSaid(text.trim().split(' ')) ?? daysTill(text, today);
      const problem = problemSaid(text);
      return answer({
        kind: 'order',
        subject: rest,
        ...(days === undefined ? {} : { days }),
        ...(problem ? { problem } : {}),
      });
    }
    case '?': {
      const [subject = '', fallback] = rest.split(/\s*(?:;|,)\s*(?:else|or else|otherwise|if not,?)\s+/);
      return answer({ kind: 'assumption', subject, ...(fallback ? { fallback } : {}) });
    }
    case '!':
      return answer({ kind: 'caution', subject: rest });
    case '*':
      return answer({ kind: 'decision', subject: rest, by: deciderSaid(rest, client) });
    case '^': {
      const state = stateSaid(text);
      return answer({ kind: 'gate', subject: rest, ...(state ? { state } : {}) });
    }
    case '~':
      return answer({ kind: 'surprise', subject: rest });
    case '&':
      return answer({ kind: 'household', subject: rest });
    case '$':
      return answer({ kind: 'short', ...split(rest) });
    default:
      return undefined;
  }
}

const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];

/** Days until the weekday that is named: “late till fri”. */
function daysTill(text: string, today: Day | undefined): number | undefined {
  const named = / (?:till|until|til|to|by|on) (?:the )?(sun|mon|tue|wed|thu|fri|sat)[a-z]* /.exec(text)?.[1];
  if (named === undefined || today === undefined) return undefined;
  return (WEEKDAYS.indexOf(named) - weekday(today) + 7) % 7 || 7;
}

/** Whose decision it is, by the word or the name it begins with. */
function deciderSaid(text: string, client = ''): 'client' | 'engineer' | 'us' {
  if (/^engineer\b/i.test(text)) return 'engineer';
  const first = /^[\p{L}’'-]+/u.exec(text)?.[0].toLowerCase() ?? '';
  const isNamed = first.length > 2 && client.toLowerCase().split(/\s+/).includes(first);
  return isNamed || /^(?:client|she|he|they|owner|mrs?|ms)\b/i.test(text) ? 'client' : 'us';
}

/** `3 backing blocks` is three of something; `2 tubes sealant` two tubes of it. */
function split(text: string): { subject: string; quantity?: number; unit?: string } {
  const found =
    pattern(
      'i',
      String.raw`^(\d[\d.,]*)\s*(tubes?|boxes|box|bags?|rolls?|sheets?|lengths?|litres?|l|kg|`,
      String.raw`m2|m²|m|ft|pieces?|packs?|cans?|pails?)?\s+(?:of )?((?!to |for |in |on |at |over |too |`,
      'still |not |by |left |behind |under |above |needs? |are |is ).+)$',
    ).exec(text) ?? /^(\d[\d.,]*)()\s+(.+)$/.exec(text);
  // Things of a walk are counted: a comma before three figures parts thousands.
  const read = found && readNumber(found[1] ?? '', { commaIs: 'thousands' });
  if (!read || !('value' in read)) return { subject: text };
  return {
    subject: found[3] ?? text,
    quantity: read.value,
    ...(found[2] ? { unit: found[2].toLowerCase() } : {}),
  };
}

function tradeNamed(text: string): { word: string; known?: Trade } | undefined {
  const word = /@(\S+)/.exec(text)?.[1]?.toLowerCase();
  if (word === undefined) return undefined;
  const known = isTrade(word)
    ? word
    : (TRADE_KEYS.find((trade) => TRADES[trade].toLowerCase().startsWith(word)) ?? tradeSaid(word));
  return { word, ...(known && known !== 'nobody' ? { known } : {}) };
}

/** `opening 890 x 2030`, `headroom 7' 4 1/2"`: what, then one length or two. */
function readSize(rest: string, system: LengthSystem): Outcome<Reading> {
  const found =
    /^(.*?[^\d\s'"]\S*)\s+(\d[^x×*]*?)(?:\s*[x×*]\s*(\d.*))?$/iu.exec(rest) ??
    sizeFirst(rest) ??
    /^()(\d[^x×*]*?)(?:\s*[x×*]\s*(\d.*))?$/iu.exec(rest);
  if (!found)
    return refuse({
      code: 'size-unreadable',
      message:
        system === 'imperial'
          ? `Write what and how long, like # opening 2' 11" x 6' 8".`
          : 'Write what and how long, like # opening 890 x 2030.',
    });
  const first = parseLength(found[2] ?? '', system);
  if (!first.ok) return first;
  const second = found[3] === undefined ? undefined : parseLength(found[3], system);
  if (second && !second.ok) return second;
  if (first.value === 0 || second?.value === 0) return refuse({ code: 'size-nothing', message: 'A length is over 0.' });
  return answer({
    kind: 'measurement',
    subject: (found[1] ?? '').trim() || 'size',
    value: first.value,
    unit: 'mm',
    mm: first.value,
    ...(second ? { value2: second.value, mm2: second.value } : {}),
  });
}

/** `5' 3 1/2" opening`: the size first, then what it is of. */
function sizeFirst(rest: string): readonly (string | undefined)[] | undefined {
  const one = String.raw`\d[\d.,/\s'"′″]*(?:mm|cm|m|ft|in)?`;
  const found = new RegExp(`^(${one}?)(?:\\s*[x×]\\s*(${one}?))?\\s+(?:of )?([a-z].*)$`, 'iu').exec(rest);
  return found ? [rest, found[3] ?? '', (found[1] ?? '').trim(), found[2]?.trim()] : undefined;
}

/** `tape 60`, `framing done`: a step of this area and how far it is; undefined where no step is named. */
function readProgress(text: string, steps: readonly { phase: Phase; label: string }[]): Outcome<Reading> | undefined {
  const found = pattern(
    'i',
    String.raw`^(.+?)(?:\s+(?:is|are|at|'s))?\s+(?:(\d{1,3})\s*(?:%|percent)?|(done|finished|complete|ready|nearly done|`,
    'almost done|nearly|almost|half|halfway|half done|just started|started|begun|not started|not begun|none|all in|in|up|' +
      'down|hung|laid|poured|not in|not up|not down))$',
  ).exec(text);
  if (!found) return undefined;
  const name = (found[1] ?? '').toLowerCase();
  const step = stepSaid(steps, name);
  if (!step) {
    // A share of a step that is not here: asked, not kept as a word that changes nothing.
    const phase = found[2] === undefined || name.split(' ').length > 3 ? undefined : phaseSaid(name);
    return phase === undefined
      ? undefined
      : refuse({
          code: 'step-not-here',
          message: `There is no “${name}” here; the steps are ${steps.map(({ label }) => label).join(', ') || 'none yet'}.`,
        });
  }
  const fraction = found[2] === undefined ? WORD_FRACTIONS[(found[3] ?? '').toLowerCase()] : Number(found[2]) / 100;
  if (fraction === undefined || fraction > 1)
    return refuse({ code: 'fraction-high', message: `“${found[2] ?? ''}” is more than all of it; 100 is done.` });
  if (fraction >= 1 && isPassedByName(step.phase))
    return refuse({
      code: 'nobody-named',
      message: `Say who passed it: “${step.label} passed by …”.`,
    });
  return answer({ kind: 'progress', subject: step.label, phase: step.phase, fraction });
}

/** The step of the area that is meant by what it is called. */
function stepSaid(
  steps: readonly { phase: Phase; label: string }[],
  name: string,
): { phase: Phase; label: string } | undefined {
  return (
    steps.find((entry) => entry.label === name || entry.phase === name) ??
    steps.find((entry) => entry.phase === phaseSaid(name)) ??
    only(steps.filter((entry) => entry.label.startsWith(name))) ??
    only(steps.filter((entry) => ` ${entry.label} `.includes(` ${name} `))) ??
    sameWork(steps, phaseSaid(name))
  );
}

/** The other half of the same work: “wiring” is the rough wires where no sockets are to come, never another trade's step. */
function sameWork<Step extends { phase: Phase }>(steps: readonly Step[], phase: Phase | undefined): Step | undefined {
  const work = phase?.replace(/-(?:rough|finish)$/, '');
  return only(steps.filter((step) => step.phase.replace(/-(?:rough|finish)$/, '') === work));
}

/** `rough inspections passed by Ada Lund`. */
function readPassed(text: string, steps: readonly { phase: Phase; label: string }[]): Outcome<Reading> | undefined {
  const [, name, by] = /^(.+?)\s+(?:passed|done|signed off)\s+by\s+(.{2,80})$/i.exec(text) ?? [];
  const step = name && by ? stepSaid(steps, name.toLowerCase()) : undefined;
  if (!step || !by || !isPassedByName(step.phase)) return undefined;
  return answer({ kind: 'progress', subject: step.label, phase: step.phase, fraction: 1, passedBy: by });
}

/**
 * The step of this area that is next to what was said: “wiring” is the rough wires before the board and the sockets
 * after.
 */
export function similar<Step extends { phase: Phase }>(
  steps: readonly Step[],
  phase: Phase | undefined,
): Step | undefined {
  if (!phase) return undefined;
  const { trade } = phaseFacts(phase);
  return (
    steps.find((step) => step.phase === phase) ??
    only(steps.filter((step) => phaseFacts(step.phase).trade === trade && phaseFacts(step.phase).hold === undefined))
  );
}
