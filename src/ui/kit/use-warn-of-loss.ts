import { useEffect } from 'react';

/** Asks before a page is left with which something would be lost. */
export function useWarnOfLoss(mayBeLost: boolean): void {
  useEffect(() => {
    if (!mayBeLost) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [mayBeLost]);
}
