import { clearKept } from './database';

const STORE = 'up-beat-stage';
const PARTS = '/_next/static/';

/** The worker of a registration, as soon as it is at work; nothing where it never will be. */
function atWork(registration: ServiceWorkerRegistration): Promise<ServiceWorker | null> {
  const worker = registration.installing ?? registration.waiting ?? registration.active;
  return new Promise((resolve) => {
    const look = () => {
      if (!worker || worker.state === 'redundant') resolve(registration.active);
      else if (worker.state === 'activated') resolve(worker);
    };
    worker?.addEventListener('statechange', look);
    look();
  });
}

/**
 * Keeps the page of a class on the device, so that it opens again while the server is away. Only where
 * the page came over a secure connection or from this machine; elsewhere browsers allow no keeping.
 * @param heard where what is said and played in the class is to be had
 */
export async function keepStage(heard: readonly string[]): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const worker = await atWork(await navigator.serviceWorker.register('/stage-keeper.js'));
  const parts = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith(PARTS))
    .map(({ pathname }) => pathname);
  worker?.postMessage({ page: location.pathname, parts, spoken: heard });
}

/** Forgets every class that was kept: names and cautions are in them. What was not sent yet stays. */
export async function forgetStages(): Promise<void> {
  if ('caches' in globalThis) await caches.delete(STORE);
  await clearKept();
}
