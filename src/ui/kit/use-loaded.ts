import { useEffect, useState } from 'react';

/**
 * A part of a page that comes after it, as soon as it is there. React's own way of waiting holds what has come back for
 * a moment, so that nothing flickers; here people wait for a class that runs.
 * @param load always the same function
 */
export function useLoaded<T>(load: () => Promise<{ default: T }>): T | null {
  const [loaded, setLoaded] = useState<{ default: T } | null>(null);
  useEffect(() => {
    let gone = false;
    load().then(
      (part) => !gone && setLoaded(part),
      (problem: unknown) =>
        setLoaded(() => {
          // The page around it tells what to do.
          throw problem;
        }),
    );
    return () => {
      gone = true;
    };
  }, [load]);
  return loaded?.default ?? null;
}
