import { isPhase, phaseFacts, type Phase } from '../sequence/phases';
import type { SelectionState } from '../selections/states';
import { RULES } from '../sequence/rules';
import type { JobState } from '../sites/area';
import { capital, sentence } from './letters';
import { phrase, type Phrase } from './phrase';
import { STEP_MEANINGS } from './step-meanings';

/** What stands on a screen, and what it means in one line. */
export interface Meaning {
  name: string;
  means: Phrase;
}

const table = <Key extends string>(entries: Record<Key, readonly [name: string, means: string]>) => entries;

/** The marks, the same on screen and on paper. */
const MARKS = table({
  mist: ['mist over the floor', 'Not begun. The further the work is, the thinner the mist.'],
  'under-way': ['line in the mist', 'Under way: the line says how far it is; what stands under it is done.'],
  done: ['bay that stands', 'Done: a walk has seen it finished.'],
  checked: ['bay with a datum cut in', 'Checked, passed or agreed: somebody who decides has looked at it.'],
  open: ['empty square', 'Open: nobody has ticked it yet.'],
  waiting: ['prop', 'It waits for somebody: an answer, a delivery, another trade.'],
  'will-stop': ['blank board', 'It will stop work on the day that is said beside it, unless it is settled before.'],
  stop: ['striped board', 'Stops work now: nobody goes on until this is settled.'],
  hazard: ['triangle', 'Caution: somebody could be hurt, or something could be spoiled.'],
  late: ['post that is overrun', 'Late: the end runs past the day that was promised.'],
  sure: [
    'line to the end in strokes',
    'Drawn through as far as people said yes to their days; in strokes, nobody has yet.',
  ],
  confirmed: ['tag with writing', 'Whoever comes has said yes to the day.'],
  unconfirmed: ['blank tag', 'Whoever comes has not said yes to the day.'],
  delivery: ['crate', 'Something is delivered.'],
  front: ['line across a room', 'How far the room is: what lies under the line is done.'],
  held: ['block with a striped edge', 'Held: it waits for a word or a delivery that nobody has confirmed.'],
  critical: ['block with heavy lines', 'It decides the end: if it slips a day, the job ends a day later.'],
  slip: ['thin tail behind a block', 'How far it may slip before anything else has to move.'],
  pinned: ['pin', 'Somebody fixed it to this half-day; the plan works around it.'],
});

/** The figures of pages and papers. */
const FIGURES = table({
  ends: ['Ends', 'The last day of work as the plan stands today.'],
  agreed: ['Was agreed for', 'The last day in the plan that was kept when it was agreed.'],
  promised: ['Promised', 'The day that the client was promised.'],
  'weeks-left': ['Weeks left', 'Calendar weeks from today to the last day of work.'],
  'work-done': ['Work done', 'The part of all planned hours of work that walks have seen done.'],
  'agreed-now': ['As agreed, by now', 'The part that would be done by now if everything had gone as agreed.'],
  'cannot-before': ['Cannot end before', 'No order of the work ends sooner, with these crews and these deliveries.'],
  between: ['Between', 'Worked days between that day and the plan: the most that a better order could win.'],
  trips: ['Trips', 'How often crews travel to a job; a visit ends when they are away for a whole working day.'],
  load: ['Load', 'Work of a trade a week, against what its crews can do.'],
  'need-by': ['Needed', 'The day on which the work that uses it would start if everything else were ready.'],
  'order-by': [
    'Order by',
    'The last day on which it can be ordered and still come in time, at the longest delivery time.',
  ],
  'decide-by': ['Decide by', 'The last day on which it can be chosen and still come in time.'],
  late: ['Late', 'It comes after the day on which it is needed.'],
});

/** The states that things go through. */
const STATES = table<SelectionState | JobState | 'draft' | 'sent' | 'revoked'>({
  open: ['open', 'Nothing is chosen yet.'],
  chosen: ['chosen', 'It is known what it will be; it is not ordered.'],
  approved: ['approved', 'Whoever decides has agreed; it can be ordered.'],
  ordered: ['ordered', 'The order is out; the supplier has not named a day.'],
  confirmed: ['confirmed', 'The supplier has named the day on which it comes.'],
  'in making': ['in making', 'It is being made for us.'],
  shipped: ['shipped', 'It is on its way.'],
  'on site': ['on site', 'It came; nobody has looked at it yet.'],
  checked: ['checked', 'Somebody looked at it, and it is right.'],
  fitted: ['fitted', 'It is in its place.'],
  'left over': ['left over', 'It was not needed, or is more than was needed.'],
  lead: ['lead', 'Somebody has asked; nothing is agreed.'],
  scoping: ['scoping', 'We are finding out what is to be done.'],
  booked: ['booked', 'It is agreed and has a first day.'],
  active: ['active', 'Work is going on.'],
  completing: ['completing', 'Only the list of last things is left.'],
  closed: ['closed', 'All is handed over.'],
  draft: ['draft', 'Written, and nobody outside has seen it.'],
  sent: ['sent', 'Whoever it is for has it.'],
  revoked: ['revoked', 'The link opens nothing any more.'],
});

/** The words of the trade and of this program. */
const TERMS = table({
  area: ['area', 'A room, an outside face, a roof or a piece of ground: what is walked and planned by itself.'],
  step: ['step', 'One kind of work in one area, done by one trade.'],
  walk: ['walk', 'One round of the site, with what was seen, said and measured.'],
  must: ['must', 'The work has to follow this order: it is safety, inspection, cover or physics.'],
  preference: ['preference', 'The plan follows it where it can, and drops it where it clashes with a must.'],
  rule: ['rule', 'What comes before what, and why. Rules that keep people safe cannot be switched off.'],
  method: ['way of working', 'Where good builders differ: pick the way you work, for the firm, a job or an area.'],
  hold: ['hold', 'Work stands still until somebody gives a word: an engineer, a client, an authority.'],
  gate: ['gate', 'The plan waits until all these areas are ready, so that one trade comes once.'],
  logistic: ['must be on site', 'Something that has to stand there before the work: a bin, a crane, a scaffold.'],
  exposure: ['time limit', 'The longest that something may stand open, wet or unprotected.'],
  'agreed-order': ['agreed order', 'An order of two steps that was agreed for this job alone.'],
  pin: ['pin', 'A piece of work is fixed to a half-day by somebody’s word.'],
  plan: ['plan', 'When every piece of work happens, over all jobs. It is made again after every change.'],
  kept: ['kept plan', 'A plan that was kept, so that later ones can be compared with it.'],
  cause: ['cause', 'What moved the plan: a delivery that slipped, an inspection that failed, work that is behind.'],
  scope: ['scope', 'What is to be done in an area, and what is not.'],
  assumption: ['assumption', 'What was priced without being seen. Once the wall is open it is confirmed, or not so.'],
  allowance: ['allowance', 'A sum set aside for something that is not chosen yet.'],
  option: ['option', 'One of several ways to do it, with its own price and time, for the client to pick.'],
  change: ['change', 'What the client asks for after the statement; it counts once it is approved.'],
  statement: ['statement', 'What is to be done and what is not, as it was sent to the client to agree.'],
  assembly: ['assembly', 'Work that is meant with one sentence: its lines, goods, hours and steps, set at once.'],
  price: ['price', 'What a line costs the firm; overhead, profit and tax come on top of it.'],
  money: ['money', 'What is agreed, asked, paid and spent on this job, and what it is expected to come to.'],
  selection: ['selection', 'A thing to be chosen, ordered and delivered for a step: tiles, taps, windows.'],
  request: ['approval or answer', 'Something that somebody outside has to approve, answer or draw first.'],
  'purchase-order': [
    'purchase order',
    'What one supplier is asked to send; what comes and is billed is held against it.',
  ],
  'way-in': ['way in', 'What is narrow between the street and a room: what is large is held against it.'],
  delivery: ['delivery', 'One load that comes on one day, with what is on it and where it is put.'],
  spare: ['spare', 'What is kept after the work: spare tiles, offcuts, parts that go back.'],
  'check-before-cover': ['check before cover', 'A list that is gone through before a wall is closed.'],
  'punch-list': ['punch list', 'The last small things to put right before an area is handed over.'],
  remaining: ['still to do', 'Work that a walk found left over in a step that was taken as done.'],
  surprise: ['surprise', 'What opening up has shown and nobody expected.'],
  filing: ['to decide', 'What was said on a walk and has no place yet: a change, an assumption, a wait or a note.'],
  fall: ['fall', 'How much a pipe drops on its way, so that it runs by itself.'],
  'rough-in': ['rough-in', 'Pipes, ducts and cables, run while the walls are open.'],
  link: ['link', 'A secret address that opens one page for one person, until it ends or is revoked.'],
});

const BY_KIND = { mark: MARKS, figure: FIGURES, state: STATES, word: TERMS } as const;
type Tables = typeof BY_KIND;

/** What can be explained: `mark.stop`, `figure.ends`, `state.shipped`, `word.hold`, `step.tiling`, `rule.14`. */
export type Explained =
  | { [Kind in keyof Tables]: `${Kind}.${keyof Tables[Kind] & string}` }[keyof Tables]
  | `step.${Phase}`
  | `rule.${number}`;

/** @returns undefined for what was there once and is no more */
export function meaningOf(explained: Explained): Meaning | undefined {
  const dot = explained.indexOf('.');
  const [kind, key] = [explained.slice(0, dot), explained.slice(dot + 1)];
  if (kind === 'step') return isPhase(key) ? stepMeaning(key) : undefined;
  if (kind === 'rule') return ruleMeaning(Number(key));
  const tables: Record<string, Record<string, readonly [string, string]>> = BY_KIND;
  const entries = Object.hasOwn(tables, kind) ? tables[kind] : undefined;
  const entry = entries && Object.hasOwn(entries, key) ? entries[key] : undefined;
  return entry && { name: entry[0], means: phrase(entry[1]) };
}

export const stepMeaning = (phase: Phase): Meaning => ({
  name: phaseFacts(phase).label,
  means: phrase(STEP_MEANINGS[phase]),
});

function ruleMeaning(number: number): Meaning | undefined {
  const rule = RULES.find((entry) => entry.number === number);
  return rule && { name: `${number} ${rule.title}`, means: phrase(sentence(capital(rule.reason))) };
}

/** All of a table, for the page of words. */
export const meaningsOf = (kind: keyof Tables): (Meaning & { key: Explained })[] =>
  Object.entries<readonly [string, string]>(BY_KIND[kind]).map(([key, [name, means]]) => ({
    key: `${kind}.${key}` as Explained,
    name,
    means: phrase(means),
  }));
