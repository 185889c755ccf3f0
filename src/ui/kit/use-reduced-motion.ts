import { useSyncExternalStore } from 'react';

const REDUCED = '(prefers-reduced-motion: reduce)';

/** Whether somebody wants no movement, asked now. */
export const wantsNoMovement = (): boolean => matchMedia(REDUCED).matches;

function whenChanged(look: () => void): () => void {
  const asked = matchMedia(REDUCED);
  asked.addEventListener('change', look);
  return () => asked.removeEventListener('change', look);
}

/**
 * Whether somebody wants no movement: then what moves changes in steps, or is not there. A page that comes from the
 * server does not know at first.
 */
export function useReducedMotion(): boolean {
  return useSyncExternalStore(whenChanged, wantsNoMovement, () => false);
}
