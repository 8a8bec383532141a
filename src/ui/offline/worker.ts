import { keepJobs } from './packs';

/** Has the service worker serve Walk where there is no signal, and keeps it and the packs of the jobs current. */
export function prepareOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  void navigator.serviceWorker
    .register('/service-worker.js')
    .then(() => navigator.serviceWorker.ready)
    .then(
      (ready) => {
        ready.active?.postMessage('renew');
        return keepJobs();
      },
      () => undefined,
    );
}
