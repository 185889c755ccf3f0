import { useCallback, useState } from 'react';
import { toldOf } from '@/browser/api';

export interface Attempt {
  /** What went wrong the last time, for the person; null where nothing did. */
  error: string | null;
  busy: boolean;
  /** Does something that may fail for the server's sake; false where it did. */
  attempt: (work: () => Promise<void>) => Promise<boolean>;
}

/**
 * Tries what needs the server, and keeps what to tell where it fails.
 * @param kept what is not lost where the server is away, as a sentence
 * @param tell says what went wrong
 */
export function useAttempt(kept?: string, tell: typeof toldOf = toldOf): Attempt {
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = useCallback(
    async (work: () => Promise<void>) => {
      setError(null);
      setBusy(true);
      try {
        await work();
        return true;
      } catch (problem) {
        setError(tell(problem, kept));
        return false;
      } finally {
        setBusy(false);
      }
    },
    [kept, tell],
  );
  return { error, busy, attempt };
}
