import { useLayoutEffect, useRef } from 'react';
import { onPress } from '@/browser/presses';

/**
 * Does something at every press while it is wanted, such as letting the sound be heard, which browsers allow then. It
 * listens before the notice that asks for the press is to be seen, so that no press that follows it is lost.
 */
export function useNextPress(wanted: boolean, act: () => void | Promise<void>): void {
  const latest = useRef(act);
  latest.current = act;
  useLayoutEffect(() => (wanted ? onPress(() => void latest.current()) : undefined), [wanted]);
}
