import { useCallback, useState } from 'react';

/** What is told where a part of the page did not come. */
export const NOT_FETCHED =
  'This could not be fetched. Look whether you are connected, and load the page again.';

/**
 * A part of a page that is fetched when somebody asks for it, since most never do.
 * @param load always the same function
 */
export function usePart<Part extends object>(load: () => Promise<Part>) {
  const [part, setPart] = useState<Part | null>(null);
  const [failed, setFailed] = useState(false);
  const fetchPart = useCallback(async () => {
    try {
      setPart(await load());
      setFailed(false);
    } catch {
      setFailed(true);
    }
  }, [load]);
  return { part, failed, fetchPart };
}
