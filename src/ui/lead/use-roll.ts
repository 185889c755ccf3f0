import { useState } from 'react';
import { call, Refused, Unreachable } from '@/browser/api';
import type { Mark } from '@/core/attendance';
import { type RollEntry, rollAnswerSchema } from './types';

export interface Roll {
  entries: readonly RollEntry[];
  error: string | null;
  mark: (participantId: string, mark: Mark | null) => Promise<void>;
  /** True where the person was taken in. */
  walkIn: (name: string) => Promise<boolean>;
  replace: (entries: readonly RollEntry[]) => void;
}

/** The register of a session on this device; the server holds it. */
export function useRoll(sessionId: string, initial: readonly RollEntry[]): Roll {
  const [entries, setEntries] = useState(initial);
  const [error, setError] = useState<string | null>(null);
  const send = async (path: string, body: unknown): Promise<boolean> => {
    try {
      const url = `/api/sessions/${sessionId}/${path}`;
      setEntries((await call('POST', url, body, rollAnswerSchema)).roll);
      setError(null);
      return true;
    } catch (problem) {
      if (problem instanceof Unreachable) {
        setError('The server does not answer, so the register was not changed. Try again.');
      } else if (problem instanceof Refused) setError(problem.message);
      else throw problem;
      return false;
    }
  };
  return {
    entries,
    error,
    mark: async (participantId, mark) => {
      await send('mark', { participantId, mark });
    },
    walkIn: (name) => send('walk-in', { name }),
    replace: setEntries,
  };
}
