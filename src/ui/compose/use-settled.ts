import { startTransition, useEffect, useState } from 'react';

/** So long after the last of some presses in a row. */
const PAUSE_MS = 150;

/**
 * A value that follows another as soon as that has stood still for a moment, so that what is expensive to
 * draw is not drawn anew at every press.
 * @param isTyping whether it is to wait on, since somebody types
 */
export function useSettled<T>(value: T, isTyping: () => boolean): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (settled === value) return;
    const timer = setInterval(() => {
      if (!isTyping()) startTransition(() => setSettled(value));
    }, PAUSE_MS);
    return () => clearInterval(timer);
  }, [settled, value, isTyping]);
  return settled;
}
