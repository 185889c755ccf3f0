import { type ClassMusic, PHASES, type PhaseName } from '../class';
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
import type { Score } from '../score';
import { furtherUnder, type Sounds } from '../speech';
import type { Heard } from './heard';
import { partOf } from './part';

/** Every piece that a class plays, each once. */
export const piecesWanted = (music: ClassMusic | undefined): MusicId[] => [
  ...new Set(PHASES.flatMap((phase) => music?.phases[phase] ?? [])),
];

/** What is played in a phase. */
export const playlistOf = (music: ClassMusic | undefined, phase: PhaseName): readonly MusicId[] =>
  music?.phases[phase] ?? [];

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
  const phases = PHASES.flatMap((phase): Stretch[] => {
    const part = partOf(score, phase);
    return part ? [{ ...part, playlist: playlistOf(music, phase) }] : [];
  });
  const pieces = piecesOf(stretchesOf(phases), shelf, totalMs);
  if (pieces.length === 0) return null;
  const spoken = heard.flatMap((one) =>
    'says' in one ? [{ fromMs: one.startMs, toMs: one.startMs + one.durationMs }] : [],
  );
  const underDb = music.underDb + furtherUnder(sounds);
  return { pieces, points: ducking(spoken, underDb), underDb };
}
