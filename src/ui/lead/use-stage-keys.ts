import { useEffect, useRef } from 'react';
import { hearKeys } from '@/browser/key-channel';
import { hearMediaKeys, type MediaKeys } from '@/browser/media-keys';
import type { Control } from './controls';

/** What the keyboard and a presenter's remote do on the stage, and on a window beside it that shows the class. */
export function useStageKeys(
  sessionId: string,
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
      if (event.metaKey || event.altKey || takes(target, event.key)) return;
      if (document.querySelector('dialog[open]')) return;
      const now = latest.current;
      const { key } = event;
      // A key that is held down, or that something lies on, is pressed once.
      if (event.repeat) {
        if (key === 'Enter' || now.controls.some((c) => c.keys.includes(key))) {
          event.preventDefault();
        }
        return;
      }
      const undo = event.ctrlKey && key.toLowerCase() === 'z';
      if (event.ctrlKey && !undo) return;
      if (undo) now.more.u?.();
      else if (now.pick(key)) {
        // Done: the key meant a person.
      } else if ((key === ' ' || key === 'Enter') && target.matches('button, summary, a')) return;
      else if (!pressed(key)) return;
      event.preventDefault();
    };
    /** Does what a key means; false where it means nothing. */
    const pressed = (key: string): boolean => {
      const { controls, more } = latest.current;
      const act = controls.find((c) => c.keys.includes(key))?.act ?? more[key.toLowerCase()];
      act?.();
      return act !== undefined;
    };
    const stop = hearKeys(sessionId, (key) => {
      const leads = latest.current.controls.length > 0;
      if (!leads || MEANT_HERE.test(key) || document.querySelector('dialog[open]')) return;
      if (!latest.current.pick(key)) pressed(key);
    });
    window.addEventListener('keydown', keys);
    // Before anything is done by it: a dialog gives the focus back to where it was.
    window.addEventListener('click', letGoOfButton, true);
    return () => {
      stop();
      window.removeEventListener('keydown', keys);
      window.removeEventListener('click', letGoOfButton, true);
    };
  }, [sessionId]);
}

/** Keys that ask for more in the window where they are pressed. */
const MEANT_HERE = /^([nq]|F5)$/i;

const SLIDER = 'input[type="range"]';

/** Whether a key means the field it is pressed in. No name begins with a space; a slider is moved by few keys alone. */
function takes(target: HTMLElement, key: string): boolean {
  if (target.matches(SLIDER)) return /^(Arrow|Page|Home|End)/.test(key);
  if (key === ' ' && target.matches('input')) return (target as HTMLInputElement).value !== '';
  return target.matches('input, textarea, select');
}

/**
 * A button or a slider that was pressed with a mouse or a finger loses the focus: otherwise the key that is to pause
 * the class would press it once more. Who presses it with the keyboard stays on it.
 */
function letGoOfButton({ detail }: MouseEvent): void {
  const pressed = document.activeElement as HTMLElement | null;
  if (detail === 0 || document.querySelector('dialog[open]')) return;
  if (pressed?.matches(`button, summary, a, ${SLIDER}`)) pressed.blur();
}

const ON_KEYBOARD = {
  play: 'MediaPlayPause',
  pause: 'MediaPlayPause',
  next: 'MediaTrackNext',
  back: 'MediaTrackPrevious',
} as const;

/** The media keys do on the stage what they do for music; the locked screen shows the move in work. */
export function useMediaKeys({
  controls,
  running,
  title,
}: {
  controls: readonly Control[];
  running: boolean;
  title: string;
}): void {
  const latest = useRef({ controls, running });
  latest.current = { controls, running };
  const keys = useRef<MediaKeys | null>(null);
  const leads = controls.length > 0;
  useEffect(() => {
    if (!leads) return;
    const hearing = hearMediaKeys((key) => {
      const now = latest.current;
      if (key === (now.running ? 'play' : 'pause')) return;
      now.controls.find((c) => c.keys.includes(ON_KEYBOARD[key]))?.act();
    });
    keys.current = hearing;
    return hearing.close;
  }, [leads]);
  useEffect(() => {
    if (leads) keys.current?.show(title, running);
  }, [leads, title, running]);
}
