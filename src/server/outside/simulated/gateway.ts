import { createHash } from 'node:crypto';
import type { MessageGateway } from '../ports';

/**
 * A stand-in for a mail service: nothing leaves the machine. Addresses ending in `.invalid` are refused every
 * time; of the others one in nine fails at the first try. Seeded by the message's id, so the same run gives the same
 * outcome.
 */
export const simulatedGateway: MessageGateway = {
  by: 'play',
  deliver: ({ id, tries, address }) => {
    if (address.endsWith('.invalid')) return { failure: 'There is no such address.', again: false };
    const chance = createHash('sha256').update(id).digest()[0] ?? 0;
    return tries === 0 && chance % 9 === 0
      ? { failure: 'The mailbox did not answer.', again: true }
      : { state: 'delivered' };
  },
};

/** A stand-in for a carrier of texts: a number with fewer than five figures is nobody's. */
export const simulatedTexts: MessageGateway = {
  by: 'play',
  deliver: ({ address }) =>
    address.replace(/\D/g, '').length < 5
      ? { failure: 'There is no such number.', again: false }
      : { state: 'delivered' },
};
