import { networkInterfaces } from 'node:os';
import { toDataURL } from 'qrcode';
import type { PhoneView } from '@/contract/views/phone';
import { addressForPhones } from '../environment.mjs';

const LOOPBACK = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;

/**
 * How a telephone comes in.
 * @param asked under which address whoever asks has come in, which leads in for others too unless it is the machine’s own
 */
export async function phoneView(asked: { host: string; protocol: string }, demo: boolean): Promise<PhoneView> {
  const named = addressForPhones(
    process.env,
    Object.values(networkInterfaces()).map((network) => network ?? []),
  );
  const here = LOOPBACK.test(asked.host)
    ? null
    : { address: `${asked.protocol}://${asked.host}`, secure: asked.protocol === 'https' };
  const reached = process.env['AFTERMIST_ADDRESS'] ? named : (here ?? named);
  return {
    address: reached?.address ?? null,
    secure: reached?.secure ?? false,
    picture: reached ? await toDataURL(reached.address, { margin: 1, width: 240 }) : '',
    demo,
  };
}
