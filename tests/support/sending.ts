import type { Input } from '@/contract/commands';
import type { Reader } from '@/contract/commands/news';
import type { Installation } from '@/server/installation';
import { readJob } from '@/server/reading/reading';
import { composeDraft } from '@/server/views/draft';
import { newId, signalHouse } from './installations';

export const recipient = (name: string, address: string) => ({ messageId: newId(), linkId: newId(), name, address });

/** What a reader would be told now, to be sent as it was read. */
export function asRead(
  installation: Installation,
  {
    job = signalHouse,
    audience = 'client',
    ...over
  }: { job?: string; audience?: Reader } & Partial<Input<'update.send'>> = {},
): Input<'update.send'> {
  const { draft, text } = composeDraft(readJob(installation, job), audience);
  return {
    ...{ id: newId(), job, audience, title: draft.title, body: text, expiresOn: '2027-04-08' },
    recipients: [recipient('A', 'a@a.example')],
    ...over,
  };
}
