/** A letter in one's own mail program; without an address one fills it in there. */
export function mailTo({ address = '', subject, body }: { address?: string; subject: string; body: string }): string {
  // Mail programs take a plus sign for itself.
  const terms = new URLSearchParams({ subject, body }).toString().replaceAll('+', '%20');
  return `mailto:${encodeURIComponent(address)}?${terms}`;
}
