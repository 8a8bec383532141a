import { join } from 'node:path';
import type { Worker } from 'node:worker_threads';
import { Refusal } from '../refusal';
import type { Installation } from '../installation';
import type { Answered, Asked, ThreadTerms, Told } from './messages';
import type { Tasks, Telling } from './tasks';

// Asked of Node itself: an import would have the bundler take in whatever the path of a thread could mean.
const threads = process.getBuiltinModule('node:worker_threads');

/** What a task is given besides the installation. */
export type Terms<Name extends keyof Tasks> =
  Parameters<Tasks[Name]> extends [Installation, ...infer Rest] ? Rest : never;

/** What a task that tells is given, and what it tells. */
export type TellingTerms<Name extends keyof Telling> =
  Parameters<Telling[Name]> extends [Installation, ...infer Rest, (part: never) => void] ? Rest : never;
export type PartOf<Name extends keyof Telling> =
  Parameters<Telling[Name]> extends [...unknown[], (part: infer Part) => void] ? Part : never;

interface Waiting {
  asked: Asked;
  /** Hears the parts of an answer that is told while it is under way. */
  hear?: (part: unknown) => void;
  settle: (answer: Answered) => void;
  fail: (error: Error) => void;
}

/** One thread with what it was given and has not answered yet, the first of them under way. */
interface Hand {
  worker: Worker;
  waiting: Waiting[];
}

/** As many as may set a paper or place a plan at once; more would only take the processors from the pages. */
const MOST = 2;

/** The threads of each folder. */
const known = new Map<string, Hand[]>();

function handsOf({ folder }: Installation): Hand[] {
  const hands = known.get(folder) ?? [];
  known.set(folder, hands);
  return hands;
}

/** Begins a thread before it is asked for anything: whoever asks first need not wait for its start. */
export function readyThread(installation: Installation): void {
  if (handsOf(installation).length === 0) begin(installation);
}

/** Ends the threads of an installation that is closed. */
export async function endThreads(installation: Installation): Promise<void> {
  await Promise.all(
    handsOf(installation)
      .splice(0)
      .map(({ worker }) => worker.terminate()),
  );
}

/**
 * Has something done in a thread of its own connection.
 * @param signal given up: what has not begun is left out, what is under way is stopped with its thread
 * @returns what the task answers; a refusal of it is thrown here
 */
export async function inThread<Name extends keyof Tasks>(
  installation: Installation,
  { name, signal }: { name: Name; signal?: AbortSignal },
  ...terms: Terms<Name>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  return (await answerOf(installation, { name, terms }, signal)) as Awaited<ReturnType<Tasks[Name]>>;
}

/** Has something done in a thread that is told part by part. @param hear hears each part as it comes */
export async function toldInThread<Name extends keyof Telling>(
  installation: Installation,
  { name, signal, hear }: { name: Name; signal?: AbortSignal; hear: (part: PartOf<Name>) => void },
  ...terms: TellingTerms<Name>
): Promise<void> {
  await answerOf(installation, { name, terms }, signal, hear as (part: unknown) => void);
}

async function answerOf(
  installation: Installation,
  asked: Asked,
  signal?: AbortSignal,
  hear?: (part: unknown) => void,
): Promise<unknown> {
  const answer = await new Promise<Answered>((settle, fail) => {
    const waiting: Waiting = { asked, settle, fail, ...(hear ? { hear } : {}) };
    if (signal?.aborted) return fail(nobodyWaits());
    give(freest(installation), waiting);
    signal?.addEventListener('abort', () => giveUp(installation, waiting), { once: true });
  });
  if ('refusal' in answer) throw new Refusal(answer.refusal.status, answer.refusal.problem);
  return answer.answer;
}

function freest(installation: Installation): Hand {
  const hands = handsOf(installation);
  const idle = hands.find((hand) => hand.waiting.length === 0);
  if (idle) return idle;
  if (hands.length < MOST) return begin(installation);
  return hands.reduce((best, hand) => (hand.waiting.length < best.waiting.length ? hand : best));
}

function begin(installation: Installation): Hand {
  const { folder, root, demo, clock } = installation;
  const workerData: ThreadTerms = { folder, root, demo, setTo: clock.shiftMs === 0 ? undefined : clock.now() };
  const worker = new threads.Worker(join(root, '.built', 'desk.mjs'), { workerData });
  worker.unref();
  const hand: Hand = { worker, waiting: [] };
  worker.on('message', (answer: Answered | Told) => {
    if ('part' in answer) return hand.waiting[0]?.hear?.(answer.part);
    hand.waiting.shift()?.settle(answer);
    const [next] = hand.waiting;
    if (next) worker.postMessage(next.asked);
  });
  const hands = handsOf(installation);
  const broken = (error: Error): void => {
    const at = hands.indexOf(hand);
    if (at >= 0) hands.splice(at, 1);
    for (const { fail } of hand.waiting.splice(0)) fail(error);
  };
  worker.on('error', broken);
  worker.on('exit', () => broken(new Error('The thread was stopped.')));
  hands.push(hand);
  return hand;
}

function give(hand: Hand, waiting: Waiting): void {
  hand.waiting.push(waiting);
  if (hand.waiting.length === 1) hand.worker.postMessage(waiting.asked);
}

const nobodyWaits = (): Error => new Error('Nobody waits for it any more.');

/** Of what was answered already nothing is left to give up. */
function giveUp(installation: Installation, waiting: Waiting): void {
  const hands = handsOf(installation);
  const hand = hands.find((one) => one.waiting.includes(waiting));
  if (!hand) return;
  waiting.fail(nobodyWaits());
  const at = hand.waiting.indexOf(waiting);
  if (at > 0) {
    hand.waiting.splice(at, 1);
    return;
  }
  // What is under way cannot be told to stop; what waited behind it is given to another thread.
  const [, ...others] = hand.waiting.splice(0);
  hands.splice(hands.indexOf(hand), 1);
  void hand.worker.terminate();
  for (const other of others) give(freest(installation), other);
}
