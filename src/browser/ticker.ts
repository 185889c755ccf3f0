const IN_SIGHT_MS = 100;

/** Calls back several times a second, also while the page is out of sight. Returns how to stop it. */
export function everyTick(tick: () => void): () => void {
  const timer = setInterval(tick, IN_SIGHT_MS);
  const worker = new Worker(new URL('./ticker.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = () => {
    if (document.hidden) tick();
  };
  return () => {
    clearInterval(timer);
    worker.terminate();
  };
}
