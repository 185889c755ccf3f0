import { startTransition, useEffect, useState } from 'react';

/** Longer than between two keys of one number, shorter than what is felt as waiting. */
const PAUSE_MS = 300;

/**
 * A value that follows another as soon as that has stood still for a moment, so that what is expensive to
 * draw is not drawn anew at every key.
 */
export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (settled === value) return;
    const timer = setTimeout(() => startTransition(() => setSettled(value)), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [settled, value]);
  return settled;
}
