import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { must, newId } from './installations';

/** Sends a statement or a change to a job's client. @returns the client, as they come in by the link */
export function sendToClient(
  installation: Installation,
  job: string,
  type: 'statement.send' | 'change.send',
  id: string,
  version: number,
): Actor {
  const linkId = newId();
  must(installation, type, {
    id,
    version,
    updateId: newId(),
    messageId: newId(),
    linkId,
    name: 'Hesper',
    address: 'hesper@cowsliplane.example',
    expiresOn: '2027-12-01',
  });
  return { kind: 'link', id: linkId, audience: 'client', job, sub: null };
}
