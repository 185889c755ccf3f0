import { startTransition, useEffect, useState } from 'react';
import { whenIdle } from '@/browser/idle';

/**
 * How many lines of a long list are there: as many as may be in sight at first, and more of them whenever the page has
 * nothing else to do, until it is whole.
 * @param step how many at first, and at a time
 */
export function useGrowing(length: number, step: number): number {
  const [grown, setGrown] = useState(step);
  useEffect(() => {
    if (grown >= length) return;
    return whenIdle(() => startTransition(() => setGrown(grown + step)));
  }, [grown, length, step]);
  return Math.min(grown, length);
}
