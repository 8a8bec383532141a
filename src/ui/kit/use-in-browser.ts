import { useSyncExternalStore } from 'react';

const never = (): (() => void) => () => undefined;

/** What only a browser knows, and what stands for it until the page is in one: the server draws the latter. */
export const useInBrowser = <Known>(known: () => Known, before: Known): Known =>
  useSyncExternalStore(never, known, () => before);
