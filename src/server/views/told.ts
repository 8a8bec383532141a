import type { PastPlace } from '@/contract/past';
import type { ToldView } from '@/contract/views/news';
import { pastShown } from '../reading/past';
import { readFirm, type FirmReading } from '../reading/reading';
import { lastWritten, messagesTo, type ToldMessage } from '../reading/updates';
import type { Installation } from '../installation';
import { whenSeen } from '../words';

const SHOWN = 40;
const NAMES = 60;

/** Who was told what and when, over all jobs: what settles who knew of it. */
export function toldView(installation: Installation, to: string, before?: PastPlace): ToldView {
  const firm = readFirm(installation);
  const found = messagesTo(firm, to, SHOWN + 1, before);
  const oldest = found[SHOWN - 1];
  return {
    today: firm.today,
    to,
    messages: found.slice(0, SHOWN).map((message) => messageOf(firm, message)),
    names: lastWritten(firm, NAMES).sort(),
    past: pastShown(before, oldest && found.length > SHOWN ? { at: oldest.queued_at, id: oldest.id } : null),
  };
}

function messageOf(firm: FirmReading, message: ToldMessage): ToldView['messages'][number] {
  const { id, recipient, address, job: jobId, job_name: jobName, title, body, state, queued_at } = message;
  return {
    ...{ id, recipient, address, title, body, jobId, jobName },
    ...{ when: whenSeen(queued_at, firm), came: howFar(firm, message), failed: state === 'failed' },
  };
}

/** `delivered today 14:20, opened, read by Averill, today 15:02`. */
function howFar(firm: FirmReading, message: ToldMessage): string {
  const { state, settled_at, failure, opened, opened_at, acknowledged_at, acknowledged_by } = message;
  const at = (instant: string | null): string => (instant ? ` ${whenSeen(instant, firm)}` : '');
  return [
    state === 'queued' ? 'not out yet' : `${state}${at(settled_at)}`,
    failure ?? '',
    opened > 0 ? `opened${at(opened_at)}` : '',
    acknowledged_at ? `read by ${acknowledged_by ?? ''}${at(acknowledged_at)}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}
