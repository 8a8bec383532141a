import { useSyncExternalStore } from 'react';

/** What a browser hands over where it can keep the program on the home screen; it asks the person itself. */
interface InstallPrompt extends Event {
  prompt: () => Promise<unknown>;
}

const DISMISSED = 'aftermist-not-installed';
let offered: InstallPrompt | undefined;
const heard = new Set<() => void>();
const tell = (): void => heard.forEach((listener) => listener());

/** Listens for the offer from the first page on: a browser makes it once. */
export function hearInstall(): () => void {
  const keep = (event: Event): void => {
    event.preventDefault();
    offered = event as InstallPrompt;
    tell();
  };
  const done = (): void => {
    offered = undefined;
    tell();
  };
  window.addEventListener('beforeinstallprompt', keep);
  window.addEventListener('appinstalled', done);
  return () => {
    window.removeEventListener('beforeinstallprompt', keep);
    window.removeEventListener('appinstalled', done);
  };
}

const subscribe = (listener: () => void): (() => void) => {
  heard.add(listener);
  return () => heard.delete(listener);
};

/** Whether the browser offers to keep the program on the home screen. */
export const useInstallOffer = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => offered !== undefined,
    () => false,
  );

/** Has the browser ask; its offer is good for once. */
export async function install(): Promise<void> {
  const prompt = offered;
  offered = undefined;
  tell();
  await prompt?.prompt();
}

/** Not now: it stays under More, and is not offered by itself again. */
export const dismissInstall = (): void => window.localStorage.setItem(DISMISSED, '1');
export const isInstallDismissed = (): boolean => window.localStorage.getItem(DISMISSED) === '1';
