import { startTransition, useEffect, useRef, useState } from 'react';

/** How long a change stays marked. */
const MOMENT_MS = 2200;

/**
 * What a value was before it last changed, for the moment in which the change is worth marking; null
 * while nothing changed lately.
 */
export function useMoment<T>(
  value: T,
  same: (a: T, b: T) => boolean = Object.is,
): { before: T } | null {
  const last = useRef(value);
  const [changed, setChanged] = useState<{ before: T } | null>(null);
  useEffect(() => {
    if (same(last.current, value)) return;
    const before = last.current;
    last.current = value;
    // Marks may wait for a moment; what is typed may not.
    startTransition(() => setChanged({ before }));
    const timer = setTimeout(() => startTransition(() => setChanged(null)), MOMENT_MS);
    return () => clearTimeout(timer);
  }, [value, same]);
  return changed;
}
