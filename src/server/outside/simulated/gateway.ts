import { createHash } from 'node:crypto';

/** What the application needs of whoever carries messages; a real mail or text service would meet the same port. */
export interface Gateway {
  /** @returns the reason where it could not be delivered */
  deliver: (message: { id: string; tries: number; address: string; subject: string; text: string }) => {
    failure?: string;
  };
}

/**
 * A stand-in for mail and text services: nothing leaves the machine. Addresses ending in `.invalid` are refused every
 * time; of the others one in nine fails at the first try. Seeded by the message's id, so the same run gives the same
 * outcome.
 */
export const simulatedGateway: Gateway = {
  deliver: ({ id, tries, address }) => {
    if (address.endsWith('.invalid')) return { failure: 'There is no such address.' };
    const chance = createHash('sha256').update(id).digest()[0] ?? 0;
    return tries === 0 && chance % 9 === 0 ? { failure: 'The mailbox did not answer; try again.' } : {};
  },
};
