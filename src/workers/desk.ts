import { parentPort, workerData } from 'node:worker_threads';
import { makeClock } from '@/server/clock';
import { Refusal } from '@/server/refusal';
import { openInstallation } from '@/server/open-installation';
import type { Answered, Asked, ThreadTerms } from '@/server/threads/messages';
import { TASKS } from '@/server/threads/tasks';

/** A thread that does what no request may wait for: one thing after the other, on a connection of its own. */
const { setTo, ...terms } = workerData as ThreadTerms;
const installation = openInstallation({ ...terms, clock: makeClock(setTo) });

async function answerTo({ name, terms: given }: Asked): Promise<Answered> {
  const task = TASKS[name as keyof typeof TASKS] as (...all: unknown[]) => unknown;
  try {
    return { answer: await task(installation, ...given) };
  } catch (error) {
    if (error instanceof Refusal) return { refusal: { status: error.status, problem: error.problem } };
    throw error;
  }
}

parentPort?.on('message', (asked: Asked) => {
  void answerTo(asked).then((answer) => parentPort?.postMessage(answer));
});
