import { createHash } from 'node:crypto';

/** Ids in the order of their time, the same in every run: an instant and a name make one. */
export function idAt(instant: number, ...name: (string | number)[]): string {
  const time = instant.toString(16).padStart(12, '0');
  const rest = createHash('sha1').update(name.join('/')).digest('hex');
  return (
    `${time.slice(0, 8)}-${time.slice(8, 12)}-7${rest.slice(0, 3)}-` +
    `${'89ab'[Number.parseInt(rest.slice(3, 4), 16) % 4] ?? '8'}${rest.slice(4, 7)}-${rest.slice(7, 19)}`
  );
}

export const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
