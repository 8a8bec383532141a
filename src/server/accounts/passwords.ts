import { availableParallelism } from 'node:os';
import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { Refusal, unprocessable } from '../refusal';

/** Hashes worked out at the same time, and those that may wait for it: each takes 19 MB and a core, and one is left to the pages. */
const AT_ONCE = availableParallelism() > 2 ? 2 : 1;
const WAITING = 20;

let running = 0;
const queue: (() => void)[] = [];

/** One after the other, so that a storm of guesses leaves the machine to those who are in. */
async function inTurn<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  if (running >= AT_ONCE) {
    if (queue.length >= WAITING)
      throw new Refusal(503, {
        code: 'busy',
        message: 'Many are signing in at this moment; try again in a few seconds.',
      });
    await new Promise<void>((free) => queue.push(free));
  }
  running += 1;
  try {
    return await work();
  } finally {
    running -= 1;
    queue.shift()?.();
  }
}

export const hashPassword = (password: string): Promise<string> => inTurn(() => hash(password));

/** A hash of nothing anybody knows: checking it takes as long as a real one, so that timing tells no names. */
const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$Yc0vHk6ZkqQJ6CV6Nk4yP0R6m7rGZ1M1l4C2kYxw1pE';

export async function isPassword(known: string | null | undefined, password: string): Promise<boolean> {
  const isRight = await inTurn(() => verify(known ?? NOBODY, password));
  return isRight && Boolean(known);
}

/** How hard to guess it has to be, of 0 to 4: from 3 on a thousand million guesses do not find it. */
const HARD = 3;
const judge = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });

/** Refuses a password that is on the lists of those who guess, or follows from what is known of its owner. */
export function needHardPassword(password: string, known: readonly string[], field = 'password'): void {
  const words = known.flatMap((word) => [word, ...word.split(/[\s@.&-]+/)]).filter((word) => word.length > 2);
  if (judge.check(password, words).score < HARD)
    throw unprocessable(
      'password-easy',
      'This is easily guessed. Take three or four words that have nothing to do with each other, or with you.',
      field,
    );
}
