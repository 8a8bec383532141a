/** Whether an address is a telephone number: a short text goes there, and no letter. */
export const isNumber = (address: string): boolean => address !== '' && !address.includes('@');

/** How somebody is reached: by letter where they have an e-mail, else by a text where texts are carried. */
export const reachOf = ({ email, phone }: { email: string; phone: string }, texts: boolean): string =>
  email || (texts ? phone : '');

/**
 * What is known of somebody once the address that failed was put right: the wrong one is gone, the right one stands where
 * it belongs. Somebody who is reached at neither any more stays as they are.
 */
export function putRight<Reached extends { email: string; phone: string }>(
  { email, phone }: Reached,
  was: string,
  now: string,
): { email: string; phone: string } {
  if (was !== email && was !== phone) return { email, phone };
  const left = { email: was === email ? '' : email, phone: was === phone ? '' : phone };
  return isNumber(now) ? { ...left, phone: now } : { ...left, email: now };
}

/** A text has room for so many signs. */
const TEXT_SIGNS = 300;

/** What a text says: what it is about, and where it is read and answered. */
export function textWords(title: string, page: string): string {
  const room = TEXT_SIGNS - page.length - 1;
  return `${title.length > room ? `${title.slice(0, Math.max(0, room - 1))}…` : title} ${page}`;
}
