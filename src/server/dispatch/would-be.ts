import { EventEmitter } from 'node:events';
import type { ProblemDocument } from '@/contract/command';
import type { Actor } from '../door/actor';
import type { Prepared } from '../door/prepared';
import type { Installation } from '../installation';
import { readIf } from '../reading/read-if';
import type { FirmReading } from '../reading/reading';
import { Refusal } from '../refusal';
import { dispatch } from './dispatch';
import { preparedFor } from './prepare';

/**
 * The firm as it would be after a command: it goes through the door in a transaction that is taken back. Whatever the door
 * refuses is refused here in the same words.
 */
export function wouldBe(
  installation: Installation,
  who: Actor,
  input: unknown,
): { problem: ProblemDocument } | { firm: FirmReading } {
  // Nobody outside hears of what does not happen.
  const quiet: Installation = { ...installation, news: new EventEmitter() };
  const prepared = lookedUp(quiet, who, input);
  try {
    return {
      firm: readIf(quiet, () => {
        const received = dispatch(quiet, who, input, prepared);
        if (received.status === 'refused') throw new Refused(received.problem);
      }),
    };
  } catch (error) {
    if (error instanceof Refused) return { problem: error.problem };
    throw error;
  }
}

/** What the command's handler wants to know, before the lock is held; what is refused there the door refuses again. */
function lookedUp(installation: Installation, who: Actor, input: unknown): Partial<Prepared> | undefined {
  try {
    return preparedFor(installation, who, input);
  } catch (error) {
    if (error instanceof Refusal) return undefined;
    throw error;
  }
}

class Refused extends Error {
  constructor(readonly problem: ProblemDocument) {
    super(problem.title);
  }
}
