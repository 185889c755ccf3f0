import { kept } from './database';

const STORE = 'up-beat-stage';
const PARTS = '/_next/static/';

/**
 * Keeps the page of a class on the device, so that it opens again while the server is away. Only where
 * the page came over a secure connection or from this machine; elsewhere browsers allow no keeping.
 */
export async function keepStage(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.register('/stage-keeper.js', { scope: '/lead/' });
  const { active } = await navigator.serviceWorker.ready;
  const parts = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith(PARTS))
    .map(({ pathname }) => pathname);
  active?.postMessage({ page: location.pathname, parts });
}

/** Forgets every class that was kept: names and cautions are in them. What was not sent yet stays. */
export async function forgetStages(): Promise<void> {
  if ('caches' in globalThis) await caches.delete(STORE);
  await kept.clear();
}
