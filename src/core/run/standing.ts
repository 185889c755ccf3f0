import type { Playback } from './playback';

/** A class that was begun and stands for so long is taken to have been left, in ms. */
export const LEFT_AFTER_MS = 10 * 60_000;

/** How a class that was begun and never closed stands. */
export interface Standing {
  how: 'paused' | 'over';
  /** Epoch ms. */
  since: number;
}

/** Whether a class was left standing, and since when; null where it runs, is not begun or is closed. */
export function leftStanding(state: Playback): Standing | null {
  const since = state.status === 'paused' ? state.pausedAt : state.endedAt;
  if (state.status !== 'paused' && state.status !== 'over') return null;
  if (since === null || state.at - since < LEFT_AFTER_MS) return null;
  return { how: state.status, since };
}
