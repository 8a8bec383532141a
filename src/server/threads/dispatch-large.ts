import type { dispatch } from '../dispatch/dispatch';
import type { Actor } from '../door/actor';
import type { Installation } from '../installation';
import { inThread } from './in-thread';

/** A command of more characters than this is a whole list, a calendar or a long narration. */
const LARGE = 20_000;

/** Whether a command is checked and carried out in a thread, so that nobody waits for it. */
export const isLarge = (input: unknown): boolean => JSON.stringify(input).length > LARGE;

/** Dispatches a large command in a thread; who listens here hears of it as of any other. */
export async function dispatchLarge(
  installation: Installation,
  who: Actor,
  input: unknown,
): Promise<ReturnType<typeof dispatch>> {
  const answer = await inThread(installation, { name: 'dispatch' }, who, input);
  if (answer.status === 'applied') {
    installation.news.emit('log', answer.seq);
    installation.news.emit('marked');
  }
  return answer;
}
