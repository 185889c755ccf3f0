import { useLayoutEffect, useRef } from 'react';

const PRESSES = ['pointerdown', 'keydown'] as const;

/**
 * Does something at every press while it is wanted, such as letting the sound be heard, which browsers allow then. It
 * listens before the notice that asks for the press is to be seen, so that no press that follows it is lost.
 */
export function useNextPress(wanted: boolean, act: () => void | Promise<void>): void {
  const latest = useRef(act);
  latest.current = act;
  useLayoutEffect(() => {
    if (!wanted) return;
    const press = () => void latest.current();
    for (const kind of PRESSES) window.addEventListener(kind, press);
    return () => {
      for (const kind of PRESSES) window.removeEventListener(kind, press);
    };
  }, [wanted]);
}
