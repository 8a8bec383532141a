import { useSearchParams } from 'next/navigation';

/** What the address asks for by a name; where a page is drawn without an address, nothing. */
export const useAsked = (name: string): string | undefined =>
  (useSearchParams() as URLSearchParams | null)?.get(name) ?? undefined;
