import type { Installation } from '../installation';
import type { Actor } from '../door/actor';
import { dispatch } from './dispatch';
import type { Prepared } from '../door/prepared';
import { BUSY } from '../storage-fault';

/** How long the file's lock is waited for on the spot, how long between two tries, and how long at all. In ms. */
const [ON_THE_SPOT, BETWEEN, AT_ALL] = [20, 30, 5_000];
/** What everything else of this thread waits. */
const USUAL = 5_000;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Whatever comes of it, everything else waits as long as ever. */
function thenUsual<Answer>({ db }: Installation, act: () => Answer): Answer {
  try {
    return act();
  } finally {
    db.pragma(`busy_timeout = ${USUAL}`);
  }
}

/**
 * Dispatches a command once the file's one write lock is free: while somebody else has it, others are served.
 * @returns “busy” where it was not free for long
 */
export async function dispatchSoon(
  installation: Installation,
  who: Actor,
  input: unknown,
  prepared?: Partial<Prepared>,
): Promise<ReturnType<typeof dispatch>> {
  for (const until = performance.now() + AT_ALL; ; await pause(BETWEEN)) {
    installation.db.pragma(`busy_timeout = ${ON_THE_SPOT}`);
    const answer = thenUsual(installation, () => dispatch(installation, who, input, prepared));
    const busy = answer.status === 'refused' && answer.problem.code === BUSY.code;
    if (!busy || performance.now() > until) return answer;
  }
}
