import { useEffect, useRef } from 'react';
import type { Control } from './controls';

/** What the keyboard, a presenter's remote and media keys do on the stage. */
export function useStageKeys(
  controls: readonly Control[],
  more: Readonly<Record<string, () => void>>,
  /** While a person is picked the keys mean people; true where the key was one of them. */
  pick: (key: string) => boolean,
): void {
  const latest = useRef({ controls, more, pick });
  latest.current = { controls, more, pick };
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.metaKey || event.altKey || target.matches('input, textarea, select')) return;
      if (document.querySelector('dialog[open]')) return;
      const now = latest.current;
      const { key } = event;
      const undo = event.ctrlKey && key.toLowerCase() === 'z';
      if (event.ctrlKey && !undo) return;
      if (undo) now.more.u?.();
      else if (now.pick(key)) {
        // Done: the key meant a person.
      } else if ((key === ' ' || key === 'Enter') && target.matches('button, summary, a')) return;
      else {
        const control = now.controls.find((c) => c.keys.includes(key));
        const other = control?.act ?? now.more[key.toLowerCase()];
        if (!other) return;
        other();
      }
      event.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);
  useEffect(() => {
    const session = navigator.mediaSession;
    if (!session) return;
    const press = (key: string) => () =>
      latest.current.controls.find((c) => c.keys.includes(key))?.act();
    const actions = {
      play: press('MediaPlayPause'),
      pause: press('MediaPlayPause'),
      nexttrack: press('MediaTrackNext'),
      previoustrack: press('MediaTrackPrevious'),
    } as const;
    for (const [action, handler] of Object.entries(actions)) {
      session.setActionHandler(action as MediaSessionAction, handler);
    }
    return () => {
      for (const action of Object.keys(actions)) {
        session.setActionHandler(action as MediaSessionAction, null);
      }
    };
  }, []);
}
