/** Keeps the screen on while a class runs, where the browser can. Returns how to let it go. */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let over = false;
  const ask = async () => {
    if (over || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    try {
      lock = await navigator.wakeLock.request('screen');
      if (over) await lock.release();
    } catch {
      // The browser refuses, for instance on a low battery; the class goes on without it.
      lock = null;
    }
  };
  void ask();
  document.addEventListener('visibilitychange', ask);
  return () => {
    over = true;
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  };
}
