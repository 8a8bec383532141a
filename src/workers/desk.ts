import { parentPort, workerData } from 'node:worker_threads';
import { makeClock } from '@/server/clock';
import { Refusal } from '@/server/refusal';
import { storageRefusal } from '@/server/storage-fault';
import { writeAsFirm } from '@/server/firm/date-words';
import { openInstallation } from '@/server/open-installation';
import type { Answered, Asked, ThreadTerms, Told } from '@/server/threads/messages';
import { TASKS, TELLING } from '@/server/threads/tasks';

/** A thread that does what no request may wait for: one thing after the other, on a connection of its own. */
const { setTo, ...terms } = workerData as ThreadTerms;
const installation = openInstallation({ ...terms, ...(setTo ? { clock: makeClock(setTo) } : {}) });

const tell = (part: unknown): void => parentPort?.postMessage({ part } satisfies Told);

async function answerTo({ name, terms: given }: Asked): Promise<Answered> {
  const [task, more] =
    name in TELLING ? [TELLING[name as keyof typeof TELLING], [tell]] : [TASKS[name as keyof typeof TASKS], []];
  try {
    writeAsFirm(installation.db);
    return { answer: await (task as (...all: unknown[]) => unknown)(installation, ...given, ...more) };
  } catch (error) {
    const refusal = error instanceof Refusal ? error : storageRefusal(error);
    if (refusal) return { refusal: { status: refusal.status, problem: refusal.problem } };
    throw error;
  }
}

parentPort?.on('message', (asked: Asked) => {
  void answerTo(asked).then((answer) => parentPort?.postMessage(answer));
});
