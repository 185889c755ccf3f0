import type { MusicId, TimedPiece } from './shelf';

/** Which piece of music is played when: playlists one after the other, with fades where one gives way to another. */

/** How long one piece gives way to the next, and how long the first comes in. */
export const CROSS_MS = 6000;
export const FADE_IN_MS = 3000;
/** How long the music of a phase goes on into the next one, more and more softly. */
export const FADE_OUT_MS = 5000;

/** A piece that is played from its beginning: when, and how it comes and goes. Times in ms. */
export interface PlayedPiece {
  id: MusicId;
  fromMs: number;
  toMs: number;
  fadeInMs: number;
  fadeOutMs: number;
}

/** A stretch of a class that has one playlist. */
export interface Stretch {
  fromMs: number;
  toMs: number;
  playlist: readonly MusicId[];
}

/** A piece gives way for no more than half of it. */
const crossOf = (ms: number): number => Math.min(CROSS_MS, ms / 2);
/** How long two pieces are heard together. */
export const crossMs = (a: TimedPiece, b: TimedPiece): number =>
  Math.min(crossOf(a.ms), crossOf(b.ms));

/** Phases in a row with one playlist are one stretch: the music goes on from one to the next. */
export function stretchesOf(phases: readonly Stretch[]): Stretch[] {
  const all: Stretch[] = [];
  for (const phase of phases) {
    const last = all.at(-1);
    if (last && last.playlist.join() === phase.playlist.join()) last.toMs = phase.toMs;
    else all.push({ ...phase });
  }
  return all.filter(({ playlist, fromMs, toMs }) => playlist.length > 0 && toMs > fromMs);
}

/** What is in a playlist of what is there: a piece that is gone is passed over. */
export const present = (
  playlist: readonly MusicId[],
  shelf: ReadonlyMap<string, TimedPiece>,
): TimedPiece[] => playlist.flatMap((id) => shelf.get(id) ?? []);

/**
 * Where a playlist is after a time, played over and over.
 * @param list the pieces, at least one
 * @returns which piece, and how far into it
 */
export function placeIn(
  list: readonly TimedPiece[],
  intoMs: number,
): { index: number; offsetMs: number } {
  const whole = list.reduce((sum, piece, i) => sum + stepMs(list, i, piece), 0);
  let left = intoMs % whole;
  for (const [index, piece] of list.entries()) {
    const step = stepMs(list, index, piece);
    if (left < step) return { index, offsetMs: left };
    left -= step;
  }
  return { index: 0, offsetMs: 0 };
}

/** How long after the beginning of a piece the next one begins. */
function stepMs(list: readonly TimedPiece[], index: number, piece: TimedPiece): number {
  const next = list[(index + 1) % list.length] ?? piece;
  return piece.ms - crossMs(piece, next);
}

/**
 * All pieces of a class, in the order of their beginnings.
 * @param totalMs when the class ends: the music is over by then
 */
export function piecesOf(
  stretches: readonly Stretch[],
  shelf: ReadonlyMap<string, TimedPiece>,
  totalMs: number,
): PlayedPiece[] {
  return stretches.flatMap(({ fromMs, toMs, playlist }) => {
    const list = present(playlist, shelf);
    if (list.length === 0) return [];
    // It fades where the next phase has begun, at the end of the class before it.
    const endMs = Math.min(totalMs, toMs + FADE_OUT_MS);
    const pieces: PlayedPiece[] = [];
    for (let at = fromMs, i = 0, last = false; !last; i = (i + 1) % list.length) {
      const piece = list[i] as TimedPiece;
      const next = list[(i + 1) % list.length] as TimedPiece;
      const nextAt = at + stepMs(list, i, piece);
      // None begins where the phase is as good as over.
      last = nextAt >= toMs - CROSS_MS;
      const ends = Math.min(endMs, at + piece.ms);
      const before = pieces.at(-1);
      pieces.push({
        id: piece.id,
        fromMs: at,
        toMs: ends,
        fadeInMs: before ? before.toMs - at : Math.min(FADE_IN_MS, (ends - at) / 2),
        fadeOutMs: last ? Math.min(FADE_OUT_MS, (ends - at) / 2) : crossMs(piece, next),
      });
      at = nextAt;
    }
    return pieces;
  });
}

/** How loud a piece is at a time by its fades alone: equal power, so that two that cross are as loud as one. */
export function fadeAt(piece: PlayedPiece, atMs: number): number {
  if (atMs < piece.fromMs || atMs >= piece.toMs) return 0;
  const up = piece.fadeInMs > 0 ? Math.min(1, (atMs - piece.fromMs) / piece.fadeInMs) : 1;
  const down = piece.fadeOutMs > 0 ? Math.min(1, (piece.toMs - atMs) / piece.fadeOutMs) : 1;
  return Math.sin((Math.PI / 2) * up) * Math.sin((Math.PI / 2) * down);
}
