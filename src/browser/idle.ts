/** Does something when the page has nothing else to do. @returns how not to do it any more */
export function whenIdle(work: () => void): () => void {
  // Not every browser tells when it is idle.
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(work, 0);
    return () => clearTimeout(timer);
  }
  const asked = requestIdleCallback(() => work());
  return () => cancelIdleCallback(asked);
}
