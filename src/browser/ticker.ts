/** Should a tick fail, the next one comes nevertheless. */
const AT_LEAST_EVERY_MS = 1000;

export interface Ticker {
  /** Ticks as soon as may be, and goes on from there. */
  soon: () => void;
  stop: () => void;
}

/**
 * Ticks on and on, also while the page is out of sight.
 * @param tick says in how many ms it is to be called again
 */
export function ticker(tick: () => number): Ticker {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const after = (ms: number) => {
    clearTimeout(timer);
    timer = setTimeout(go, ms);
  };
  const go = () => {
    after(AT_LEAST_EVERY_MS);
    after(tick());
  };
  const worker = new Worker(new URL('./ticker.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = () => {
    if (document.hidden) go();
  };
  const turned = () => worker.postMessage(document.hidden);
  document.addEventListener('visibilitychange', turned);
  turned();
  const soon = () => after(0);
  soon();
  return {
    soon,
    stop: () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', turned);
      worker.terminate();
    },
  };
}
