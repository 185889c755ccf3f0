/**
 * Does something every so often while the page is to be seen, and at once when somebody comes back to it.
 * @param work is told whether somebody has just come back; while it is under way it is not begun again
 * @returns how to stop
 */
export function whileSeen(
  work: (cameBack: boolean) => void | Promise<void>,
  everyMs: number,
): () => void {
  let working = false;
  const look = async (cameBack: boolean) => {
    if (document.hidden || working) return;
    working = true;
    try {
      await work(cameBack);
    } finally {
      working = false;
    }
  };
  const back = () => look(true);
  const timer = setInterval(() => look(false), everyMs);
  document.addEventListener('visibilitychange', back);
  window.addEventListener('pageshow', back);
  window.addEventListener('focus', back);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', back);
    window.removeEventListener('pageshow', back);
    window.removeEventListener('focus', back);
  };
}
