import type { Actor } from '@/server/door/actor';
import { demoId } from '../ids';
import type { DemoJob } from '../scenario';
import type { Teller } from './teller';

/** What stays with the client, what they want put right, what they accepted. */
export function endJob(teller: Teller, job: DemoJob): void {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  const area = (key: string | undefined): { area?: string } => (key ? { area: id('area', key) } : {});
  teller.at(teller.when(-1, 15));
  (job.leftWithClient ?? []).forEach((thing, index) =>
    teller.say('client.hand-over', {
      id: id('left-with', String(index)),
      job: id(),
      kind: thing.kind,
      text: thing.text,
      ...area(thing.area),
    }),
  );
  const client: Actor = { kind: 'link', id: id('link', 'client'), audience: 'client', job: id(), sub: null };
  (job.clientAsks ?? []).forEach((item, index) =>
    teller.say(
      'client.ask',
      { id: id('asked', String(index)), text: item.text, name: item.name, ...area(item.area) },
      client,
    ),
  );
  (job.signedOff ?? []).forEach((entry, index) =>
    teller.say('area.sign-off', {
      id: id('signed', String(index)),
      area: id('area', entry.area),
      name: entry.name,
      words: entry.words,
    }),
  );
}
