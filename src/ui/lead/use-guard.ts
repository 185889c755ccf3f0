import { useCallback, useState, useSyncExternalStore } from 'react';
import { asksForLock, onLock } from '@/browser/device-lock';

export interface Guard {
  /** Whether names of people may be shown, are kept back until the device is unlocked, or are left out. */
  state: 'open' | 'locked' | 'nameless';
  /** The server has answered: whoever is here is signed in. */
  answered: () => void;
  unlock: () => void;
  goNameless: () => void;
}

/**
 * Guards the names of a class that may have been opened from what the device has kept. A device that asks for its
 * lock shows none before the server has answered or it was unlocked; any other shows them at once.
 */
export function useGuard(): Guard {
  const asks = useSyncExternalStore(onLock, asksForLock, () => false);
  const [passed, setPassed] = useState<'open' | 'nameless' | null>(null);
  const open = useCallback(() => setPassed('open'), []);
  const goNameless = useCallback(() => setPassed((before) => before ?? 'nameless'), []);
  return {
    state: passed ?? (asks ? 'locked' : 'open'),
    answered: open,
    unlock: open,
    goNameless,
  };
}
