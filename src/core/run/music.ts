import { type ClassMusic, PHASES, playlistOf } from '../class';
import type { MusicId } from '../music';
import { type Playback, playLengthMs } from './playback';

/** What is played under a class at one instant. */
export interface MusicNow {
  playlist: readonly MusicId[];
  /** How long the class has been in the phases that have this playlist, as it was played. */
  intoMs: number;
}

/** The music of a run as it stands; null for silence, which a pause has too. */
export function musicNow(state: Playback, music: ClassMusic | undefined): MusicNow | null {
  if (state.status !== 'running') return null;
  const at = state.queue[state.index];
  const playlist = at ? playlistOf(music, at.step.phase) : [];
  if (playlist.length === 0) return null;
  let intoMs = state.elapsedMs;
  for (let i = state.index - 1; i >= 0; i--) {
    const before = state.queue[i];
    if (!before || playlistOf(music, before.step.phase).join() !== playlist.join()) break;
    intoMs += playLengthMs(before);
  }
  return { playlist, intoMs };
}

/** The same playlist in every phase, whatever the class has. @param playlist none for silence */
export const musicThroughout = (
  playlist: MusicId[],
  { underDb }: Pick<ClassMusic, 'underDb'>,
): ClassMusic => ({
  phases: Object.fromEntries(PHASES.map((phase) => [phase, playlist])),
  underDb,
});
