import { type ClassMusic, PHASES, playlistOf } from '../class';
import {
  ducking,
  type LevelPoint,
  type MusicId,
  type PlayedPiece,
  piecesOf,
  type Stretch,
  stretchesOf,
  type TimedPiece,
} from '../music';
import type { MusicNow } from '../run';
import type { Score } from '../score';
import { furtherUnder, type Sounds } from '../speech';
import type { Heard } from './heard';
import { partOf } from './part';

/** Every piece that a class plays, each once. */
export const piecesWanted = (music: ClassMusic | undefined): MusicId[] => [
  ...new Set(PHASES.flatMap((phase) => playlistOf(music, phase))),
];

/** The stretches of a class that have a playlist. */
function stretchesIn(score: Score): Stretch[] {
  return stretchesOf(
    PHASES.flatMap((phase): Stretch[] => {
      const part = partOf(score, phase);
      return part ? [{ ...part, playlist: playlistOf(score.music, phase) }] : [];
    }),
  );
}

/** What is played at a time of a class that is done as it was planned; null for silence. */
export function musicAt(score: Score, atMs: number): MusicNow | null {
  const stretch = stretchesIn(score).find(({ fromMs, toMs }) => atMs >= fromMs && atMs < toMs);
  return stretch ? { playlist: stretch.playlist, intoMs: atMs - stretch.fromMs } : null;
}

/** The music under a class that is done as it was planned. */
export interface MusicUnder {
  pieces: PlayedPiece[];
  /** How loud it is, by what is said. */
  points: LevelPoint[];
  underDb: number;
}

/**
 * What is played under a class, and how it steps back.
 * @param heard all that is heard besides
 * @param of.shelf the pieces that are there; others are left out
 * @param of.sounds how the teacher wants it heard
 */
export function musicUnder(
  score: Score,
  heard: readonly Heard[],
  { shelf, sounds }: { shelf: ReadonlyMap<string, TimedPiece>; sounds: Sounds },
): MusicUnder | null {
  const { music, totalMs } = score;
  if (!music) return null;
  const pieces = piecesOf(stretchesIn(score), shelf, totalMs);
  if (pieces.length === 0) return null;
  const spoken = heard.flatMap((one) =>
    'says' in one ? [{ fromMs: one.startMs, toMs: one.startMs + one.durationMs }] : [],
  );
  const underDb = music.underDb + furtherUnder(sounds);
  return { pieces, points: ducking(spoken, underDb), underDb };
}
