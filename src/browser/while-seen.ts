/**
 * Does something every so often while the page is to be seen, and at once when somebody comes back to it.
 * @param work is told whether somebody has just come back
 * @returns how to stop
 */
export function whileSeen(work: (cameBack: boolean) => void, everyMs: number): () => void {
  const look = (cameBack: boolean) => {
    if (!document.hidden) work(cameBack);
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
