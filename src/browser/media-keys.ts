import { wavOf } from '@/core/speech';
import { onPress } from './presses';

export type MediaKey = 'play' | 'pause' | 'next' | 'back';

export interface MediaKeys {
  /** Tells the device what it may show on its locked screen, and which of play and pause comes next. */
  show: (title: string, running: boolean) => void;
  close: () => void;
}

const ACTIONS: Partial<Record<MediaSessionAction, MediaKey>> = {
  play: 'play',
  pause: 'pause',
  nexttrack: 'next',
  previoustrack: 'back',
};
/** Shorter sounds count as notices, which have no keys. */
const SILENCE_SECONDS = 10;
const SILENCE_RATE = 8000;

const silence = () =>
  new Blob([
    wavOf({ samples: new Float32Array(SILENCE_SECONDS * SILENCE_RATE), rate: SILENCE_RATE }),
  ]);

/**
 * Hears the media keys of keyboards, headphones and locked screens. A browser hands them to a page that
 * plays something on and on, which sound on the audio clock is not; so silence is played beside it.
 */
export function hearMediaKeys(heard: (key: MediaKey) => void): MediaKeys {
  const session: MediaSession | undefined = navigator.mediaSession;
  if (!session) return { show: () => {}, close: () => {} };
  for (const [action, key] of Object.entries(ACTIONS)) {
    session.setActionHandler(action as MediaSessionAction, () => heard(key));
  }
  const url = URL.createObjectURL(silence());
  const player = new Audio(url);
  player.loop = true;
  const play = async () => {
    try {
      await player.play();
    } catch (problem) {
      // Before the first press on a page no sound is allowed; the next press asks again.
      const refused = problem instanceof DOMException;
      if (!refused || !['NotAllowedError', 'AbortError'].includes(problem.name)) throw problem;
    }
  };
  const again = () => {
    if (player.paused) void play();
  };
  again();
  const deaf = onPress(again);
  return {
    show: (title, running) => {
      session.metadata = new MediaMetadata({ title });
      session.playbackState = running ? 'playing' : 'paused';
    },
    close: () => {
      deaf();
      for (const action of Object.keys(ACTIONS)) {
        session.setActionHandler(action as MediaSessionAction, null);
      }
      session.metadata = null;
      session.playbackState = 'none';
      player.pause();
      URL.revokeObjectURL(url);
    },
  };
}
