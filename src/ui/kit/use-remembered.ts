import { useCallback, useSyncExternalStore } from 'react';

const heard = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  heard.add(listener);
  return () => heard.delete(listener);
};

/** How a list was looked at last, for as long as the browser's tab is open: coming back to it finds it as it was left. */
export function useRemembered<Choice extends string>(
  name: string,
  usual: Choice,
  known: readonly Choice[],
): [Choice, (choice: Choice) => void] {
  const kept = useSyncExternalStore(
    subscribe,
    () => window.sessionStorage.getItem(name) ?? usual,
    () => usual,
  );
  const set = useCallback(
    (choice: Choice): void => {
      window.sessionStorage.setItem(name, choice);
      heard.forEach((listener) => listener());
    },
    [name],
  );
  return [known.find((choice) => choice === kept) ?? usual, set];
}
