import type { Cause } from '../schedule/cause';
import { PARTIES } from '../selections/requests';
import { phaseFacts, type Phase } from '../sequence/phases';
import { formatDay, type Day } from '../units/day';
import { agree, counted, daysOf, listed, partOf } from './count';
import { capital, sentence } from './letters';
import { phrase, type Phrase } from './phrase';
import { sayWeather } from './wait';
import { sayWork } from './work';

/**
 * What moved a plan, as a whole sentence: `Wall tiles come 9 days later: the press broke down.`
 * @param today days of another year than its own are said with their year
 */
export const sayCause = (cause: Cause, today: Day): Phrase => phrase(sentence(words(cause, today)));

/** Several of them, one after the other; what sounds alike is said once. */
export const sayCauses = (causes: readonly Cause[], today: Day): Phrase =>
  phrase([...new Set(causes.map((cause) => sayCause(cause, today)))].join(' '));

const step = ({ place, phase }: { place: string; phase: Phase }): string => `${place} · ${phaseFacts(phase).label}`;
const why = (text: string): string => (text ? `: ${text}` : '');

/** How each kind is said, with days by `on`. */
type Sayings = {
  [Kind in Cause['kind']]: (cause: Extract<Cause, { kind: Kind }>, on: (day: Day) => string, today: Day) => string;
};

const words = (cause: Cause, today: Day): string =>
  (SAYINGS[cause.kind] as (cause: Cause, on: (day: Day) => string, today: Day) => string)(
    cause,
    (day) => formatDay(day, today),
    today,
  );

const SAYINGS: Sayings = {
  step: (cause) => `${step(cause)} ${STEP[cause.what]}`,
  parts: (cause) => `${step(cause)} is done in ${cause.parts} parts now`,
  others: (cause) => `${step(cause)} is done by ${cause.who} now`,
  rate: (cause) => `How fast ${phaseFacts(cause.phase).label} goes was set anew`,
  drawn: (cause) => `The drawing of ${cause.place} changed, and with it the time of its work`,
  method: (cause) => `${cause.title}: ${cause.chosen ?? 'the usual order'} was chosen`,
  rule: (cause) =>
    `Rule ${cause.rule}, ${phaseFacts(cause.before).label} before ${phaseFacts(cause.after).label}, was ${cause.what}`,
  switch: (cause) => `Rule ${cause.rule} ${SWITCH[cause.what]}${why(cause.why)}`,
  order: (cause) =>
    `${step(cause.after)} ${cause.what === 'agreed' ? 'waits' : 'no longer waits'} for ${step(cause.before)}, as ` +
    `agreed${why(cause.why)}`,
  gate: (cause) => `${cause.label} was ${cause.what}`,
  logistic: (cause, on) =>
    cause.what === 'booked' && cause.day
      ? `${cause.label} is booked for ${on(cause.day)}`
      : `${cause.label} ${LOGISTIC[cause.what]}`,
  hold: (cause, on) =>
    cause.what === 'moved'
      ? `${cause.label} is expected ${on(cause.expected)} now; ${step(cause)} waits for it`
      : cause.what === 'held'
        ? `${step(cause)} was put on hold until ${on(cause.expected)}: ${cause.label}`
        : `${cause.label} is settled; ${step(cause)} waits for it no more`,
  inspection: (cause, on) =>
    cause.what === 'booked'
      ? `${step(cause)} is booked for ${on(cause.day)}`
      : cause.what === 'passed'
        ? `${step(cause)} passed`
        : `The visit on ${on(cause.day)} for ${step(cause)} was cancelled`,
  failed: (cause) => `${step(cause)} failed${cause.fixes.length > 0 ? `: ${cause.fixes.join('; ')}` : ''}`,
  office: (cause) => `The days of ${cause.name} changed`,
  pin: (cause) =>
    cause.what === 'set'
      ? `${cause.work ? sayWork(cause.work) : 'A piece of work'} was fixed to its day${why(cause.why)}`
      : `${cause.work ? sayWork(cause.work) : 'A piece of work'} is no longer fixed to its day`,
  sub: (cause) => SUB[cause.what](cause.name),
  away: (cause, on) =>
    `${cause.name} is ${cause.what === 'away' ? 'away' : 'not away after all'} ` +
    (cause.from === cause.until ? `on ${on(cause.from)}` : `from ${on(cause.from)} to ${on(cause.until)}`),
  plant: (cause) =>
    cause.what === 'mended' ? `${cause.name} works again` : `How many of ${cause.name} there are was changed`,
  broken: (cause) => `${cause.name} is out of use${why(cause.why)}`,
  outlook: () => 'A new weather outlook came in',
  weather: (cause, on, today) => `Work outside waits: ${sayWeather(cause.weather, today)}`,
  holiday: (cause, on) => `Nobody works on ${on(cause.day)}: ${cause.name}`,
  zone: (cause) => `The firm’s clock was set to ${cause.zone}`,
  weights: () => 'What counts most was weighed anew',
  'job-changed': (cause) => `The facts of ${cause.name} were changed`,
  'areas-set-out': (cause) => `${listed(cause.places)} ${cause.places.length === 1 ? 'was' : 'were'} added`,
  area: (cause) => `${cause.place} was ${cause.what}`,
  merged: (cause) => `${cause.from} became part of ${cause.place}`,
  'job-removed': (cause) => `${cause.name} was removed`,
  'job-back': (cause) => `${cause.name} was brought back`,
  copied: (cause) => `${cause.place} was copied from ${cause.from}`,
  'opened-anyway': ({ place, phase, why }) =>
    `${place}: ${phaseFacts(phase).label}, although what closes it has no day yet: ${why}`,
  service: ({ subject, what, by }) =>
    what === 'found'
      ? `${subject} was found and may be live`
      : what === 'dead'
        ? `${subject} was proved dead by ${by}`
        : what === 'gone'
          ? `${subject} was taken off the list of services`
          : `${subject} was marked and is kept live, says ${by}`,
  'job-task': ({ task, done }) => `${sayWork({ kind: task })} ${done ? 'was done' : 'is open again'}`,
  beside: (cause) => `${listed(cause.places)} were said to share a wall`,
  quiet: (cause) => `Quiet was ${cause.what === 'asked' ? 'asked for' : 'asked for no longer'}: ${cause.text}`,
  freed: (cause) =>
    `${sayWork(cause.work)}${cause.more > 0 ? ` and ${counted(cause.more, 'more visit')}` : ''} may come sooner`,
  'worked-day': (cause, on) =>
    `${on(cause.day)} is ${cause.what === 'worked' ? 'worked though it is a day off' : 'a day off again'}`,
  declined: (cause, on) => `${cause.name} cannot come on ${on(cause.day)} for ${sayWork(cause.work)}`,
  given: (cause) =>
    `${cause.name} comes for ${sayWork(cause.work)}${cause.more > 0 ? ` and ${counted(cause.more, 'more visit')}` : ''}`,
  slip: (cause) =>
    `${capital(cause.thing)} ${agree(cause.thing, 'comes', 'come')} ${counted(Math.abs(cause.days), 'day')} ` +
    `${cause.days > 0 ? 'later' : 'earlier'} than said before${why(cause.why)}`,
  goods: (cause) => GOODS[cause.what](capital(cause.thing)),
  checked: (cause) => `${cause.place}: ${cause.thing.toLowerCase()} ${CHECKED[cause.verdict]}${why(cause.text)}`,
  'goods-listed': (cause) => `A list with ${counted(cause.lines, 'selection')} was read`,
  'delivery-came': (cause, on) =>
    `The delivery of ${listed(cause.things.map((thing) => thing.toLowerCase())) || 'goods'} came on ${on(cause.day)}`,
  supplier: (cause) =>
    cause.what === 'list-read' ? `A list of ${cause.name} was read` : `${cause.name} is not closed after all`,
  'supplier-closed': (cause, on) => `${cause.name} is closed from ${on(cause.from)} to ${on(cause.until)}`,
  request: (cause) => REQUEST[cause.what](capital(cause.subject), PARTIES[cause.party]),
  option: (cause) =>
    cause.chosen === null ? `${cause.subject} is open again` : `${cause.subject}: ${cause.chosen} was chosen`,
  assumption: (cause) => `We assumed: ${cause.text}. ${ASSUMED[cause.what]}${why(cause.found)}`,
  extra: (cause) => `Added work ${cause.what === 'done' ? 'is done' : 'is to be done again'}: ${cause.text}`,
  change: (cause) => `Change ${cause.number} was approved: ${cause.title}`,
  'signature-taken-away': () => 'A signature for a check before cover was taken away',
  signed: (cause) => `${cause.name} signed for the open checks in ${cause.place}`,
  'check-settled': (cause) => `A check before cover in ${cause.place} was settled`,
  'client-item': (cause) => `A line of the client’s list was taken up: ${cause.text}`,
  walk: (cause, on) => `The walk of ${on(cause.day)} brought the plan up to date`,
  progress: (cause) =>
    `${step(cause)} ${howFar(cause.fraction)}, ${daysOf(Math.abs(cause.halves))} ` +
    `${cause.halves > 0 ? 'behind' : 'ahead of'} the plan`,
  leftover: (cause) => `${cause.place}: the walk found work left to do: ${cause.text}`,
  'late-record': (cause) => `A record of ${cause.place} arrived after its walk was finished`,
  'not-seen': (cause, on) =>
    `${sayWork(cause.work)} was to ${cause.what} on ${on(cause.day)}, and no walk has seen ` +
    (cause.what === 'begin' ? 'it begin' : 'how far it is'),
  'taken-back': () => 'A change was taken back',
  together: (cause) =>
    cause.more
      ? `At the same time ${counted(cause.changes, 'more change')} came in`
      : `The plan was made anew for ${counted(cause.changes, 'change')} that came in together`,
  'better-order': () => 'A better order was found',
  form: () => 'The plan was made anew after an update of this program',
  told: (cause) => cause.text,
};

const howFar = (fraction: number): string =>
  fraction >= 1 ? 'is done' : fraction <= 0 ? 'has not begun' : `is ${partOf(fraction)} done`;

const STEP = {
  changed: 'was changed',
  timed: 'was given another time',
  joined: 'is done in one piece again',
  ours: 'is ours to do again',
} as const;

const SWITCH = { on: 'counts again', off: 'does not count here', 'as-elsewhere': 'counts here as everywhere' } as const;

const LOGISTIC = {
  needed: 'has to be on site first',
  open: 'is not booked any more',
  booked: 'is booked',
  here: 'is on site',
  dropped: 'is not needed any more',
} as const;

const SUB = {
  joined: (name: string) => `${name} joined`,
  changed: (name: string) => `What is known of ${name} was changed`,
  'calendar-read': (name: string) => `${name} said when they are busy`,
  'calendar-out': (name: string) => `The calendar of ${name} was taken out`,
} as const;

const GOODS: Record<Extract<Cause, { kind: 'goods' }>['what'], (thing: string) => string> = {
  added: (thing) => `${thing} ${was(thing)} added to the list`,
  changed: (thing) => `What was chosen for ${thing.toLowerCase()} was changed`,
  confirmed: (thing) => `The supplier confirmed the day for ${thing.toLowerCase()}`,
  'in-parts': (thing) => `${thing} ${agree(thing, 'comes', 'come')} in two loads`,
  'not-to-be-had': (thing) => `${thing} cannot be had; the order is void`,
  'fitted-later': (thing) => `${thing} ${is(thing)} fitted on a return trip`,
  'waited-for': (thing) => `The work waits for ${thing.toLowerCase()} again`,
  'check-taken-back': (thing) => `The check of ${thing.toLowerCase()} was taken back`,
  'taken-away': (thing) => `${thing} ${was(thing)} taken off the list`,
  open: (thing) => `${thing} ${is(thing)} open again`,
  chosen: (thing) => `${thing} ${was(thing)} chosen`,
  approved: (thing) => `${thing} ${was(thing)} approved`,
  ordered: (thing) => `${thing} ${was(thing)} ordered`,
  'in making': (thing) => `${thing} ${is(thing)} being made`,
  shipped: (thing) => `${thing} ${is(thing)} on the way`,
  'on site': (thing) => `${thing} ${is(thing)} on site`,
  checked: (thing) => `${thing} ${was(thing)} checked and ${is(thing)} right`,
  fitted: (thing) => `${thing} ${is(thing)} fitted`,
  'left over': (thing) => `There is some left over: ${thing.toLowerCase()}`,
};
const is = (thing: string): string => agree(thing, 'is', 'are');
const was = (thing: string): string => agree(thing, 'was', 'were');

const CHECKED = {
  right: 'came right',
  wrong: 'came, but not as ordered',
  missing: 'did not come with the load',
  damaged: 'came damaged',
} as const;

const REQUEST: Record<Extract<Cause, { kind: 'request' }>['what'], (subject: string, party: string) => string> = {
  added: (subject, party) => `${subject}: it has to be asked of ${party} first`,
  changed: (subject) => `${subject}: what is asked was changed`,
  sent: (subject, party) => `${subject}: it was sent to ${party}`,
  expected: (subject, party) => `${subject}: ${party} named another day`,
  answered: (subject, party) => `${subject}: ${party} answered`,
  refused: (subject, party) => `${subject}: ${party} refused`,
  reopened: (subject) => `${subject}: the answer was taken back`,
  'taken-away': (subject) => `${subject}: it is not asked any more`,
};

const ASSUMED = { held: 'It is so', wrong: 'It is not so', open: 'It is open again' } as const;

/**
 * The same to a client: what they would ask about, in plain words.
 * @returns undefined for what is the firm’s own affair
 */
export function sayCauseToClient(cause: Cause, today: Day): Phrase | undefined {
  const text = wordsToClient(cause, today);
  return text === undefined ? undefined : phrase(sentence(text));
}

function wordsToClient(cause: Cause, today: Day): string | undefined {
  const on = (day: Day): string => formatDay(day, today);
  switch (cause.kind) {
    case 'progress':
      return cause.halves > 0
        ? `${cause.place}: work on ${plain(cause)} takes longer than we thought`
        : `${cause.place}: work on ${plain(cause)} went faster than we thought`;
    case 'not-seen':
      return cause.work.kind === 'step' ? `${cause.work.area}: work on ${plain(cause.work)} is behind` : undefined;
    case 'failed':
      return (
        `${cause.place}: ${plain(cause)} did not pass` +
        (cause.fixes.length > 0 ? `. First we put right: ${cause.fixes.join('; ')}` : '')
      );
    case 'inspection':
      return `${cause.place}: ${plain(cause)} ${INSPECTED[cause.what](on(cause.day))}`;
    case 'hold':
      return cause.what === 'released'
        ? `${cause.label} is settled, and work on ${plain(cause)} can go on (${cause.place})`
        : `${cause.place}: work on ${plain(cause)} waits for ${cause.label}, expected ${on(cause.expected)}`;
    case 'others':
      return `${cause.place}: ${cause.who} does ${plain(cause)}`;
    case 'away':
      return cause.what === 'away' ? 'Some of the people we need are not free' : undefined;
    case 'broken':
      return 'A machine we need is out of use';
    case 'leftover':
      return `In ${cause.place} we found more to do: ${cause.text}`;
    case 'slip':
    case 'goods':
    case 'checked':
    case 'delivery-came':
    case 'supplier-closed':
    case 'request':
    case 'weather':
    case 'holiday':
    case 'option':
    case 'assumption':
    case 'change':
    case 'client-item':
      return words(cause, today);
    default:
      return undefined;
  }
}

const plain = ({ phase }: { phase: Phase }): string => phaseFacts(phase).plain;

const INSPECTED = {
  booked: (day: string) => `is booked for ${day}`,
  passed: () => 'passed',
  cancelled: () => 'has to be booked again',
} as const;
