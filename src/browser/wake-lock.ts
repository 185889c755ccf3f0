/** How soon it is asked again for a screen that was refused, or taken away: a battery may be loaded meanwhile. */
const AGAIN_MS = 30_000;

/**
 * Keeps the screen on, where the browser can, for as long as the page is looked at.
 * @param told hears whether it is kept on, each time that is found out; by plain http no browser does
 * @returns how to let it go
 */
export function keepAwake(told: (isKept: boolean) => void = () => {}): () => void {
  let lock: WakeLockSentinel | null = null;
  let asking = false;
  let over = false;
  const ask = async () => {
    if (over || asking || lock || document.visibilityState !== 'visible') return;
    if (!('wakeLock' in navigator)) return told(false);
    asking = true;
    try {
      const kept = await navigator.wakeLock.request('screen');
      if (over) return await kept.release();
      lock = kept;
      kept.addEventListener('release', gone);
      told(true);
    } catch {
      // The browser refuses, for instance on a low battery; whoever leads is told, and the class goes on without it.
      told(false);
    } finally {
      asking = false;
    }
  };
  const gone = () => {
    lock = null;
    void ask();
  };
  const look = () => void ask();
  look();
  const again = setInterval(look, AGAIN_MS);
  document.addEventListener('visibilitychange', look);
  return () => {
    over = true;
    clearInterval(again);
    document.removeEventListener('visibilitychange', look);
    void lock?.release();
  };
}
