import { networkInterfaces } from 'node:os';
import { toDataURL } from 'qrcode';
import type { PhoneView } from '@/contract/views/phone';
import { addressForPhones, isLoopback } from '../environment.mjs';

/**
 * How a telephone comes in.
 * @param origin under which address whoever asks has come in: it leads in for others too unless it is the machine’s own
 */
export async function phoneView(origin: string | undefined, demo: boolean): Promise<PhoneView> {
  const named = addressForPhones(
    process.env,
    Object.values(networkInterfaces()).map((network) => network ?? []),
  );
  const isOthers = origin !== undefined && !isLoopback(new URL(origin).hostname);
  const here = isOthers ? { address: origin, secure: origin.startsWith('https:') } : null;
  const reached = process.env['AFTERMIST_ADDRESS'] ? named : (here ?? named);
  return {
    address: reached?.address ?? null,
    secure: reached?.secure ?? false,
    picture: reached ? await toDataURL(reached.address, { margin: 1, width: 240 }) : '',
    demo,
  };
}
