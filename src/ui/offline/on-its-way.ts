import { useSyncExternalStore } from 'react';

/** How much is just now being kept on this device or sent from it: until it is none, nobody is told that all is sent. */
let count = 0;
const listeners = new Set<() => void>();

function change(by: 1 | -1): void {
  count += by;
  for (const listener of listeners) listener();
}

export async function onItsWay<Result>(work: () => Promise<Result>): Promise<Result> {
  change(1);
  try {
    return await work();
  } finally {
    change(-1);
  }
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOnItsWay = (): number =>
  useSyncExternalStore(
    subscribe,
    () => count,
    () => 0,
  );
