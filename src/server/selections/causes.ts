import type { Cause } from '@/core/schedule/cause';
import type { Party } from '@/core/selections/requests';

/** What happened to goods, as the cause of what moves. */
export const goodsCause = (
  { id, category }: { id: string; category: string },
  what: Extract<Cause, { kind: 'goods' }>['what'],
): Cause => ({ kind: 'goods', selection: id, thing: category, what });

/** What happened to something that somebody was asked for. */
export const requestCause = (
  { id, subject, party }: { id: string; subject: string; party: Party },
  what: Extract<Cause, { kind: 'request' }>['what'],
): Cause => ({ kind: 'request', request: id, subject, party, what });
