import type { Window } from '../sound';
import { asFactor, type LevelPoint, levelAt } from './ducking';
import { fadeAt, type PlayedPiece } from './pieces';

/** A piece of music whose samples are read one after the other. */
export interface MusicReader {
  /** The next samples, which are only looked at; silence where there are no more. */
  read: (samples: number) => Promise<Float32Array>;
  close: () => void;
}

export interface Under {
  /** Samples a second. */
  rate: number;
  /** Where in the class the first window begins, in ms. */
  fromMs: number;
  pieces: readonly PlayedPiece[];
  /** How loud music is, by what is said. */
  points: readonly LevelPoint[];
  underDb: number;
  /** Opens a piece from a place in it, in ms. */
  open: (piece: PlayedPiece, offsetMs: number) => Promise<MusicReader>;
}

/** How often the level is worked out, in seconds; it goes in a straight line between. */
const LEVEL_S = 0.01;

/** Puts music under what is heard, window by window. What is read is closed, however it ends. */
export async function* withMusic(
  windows: AsyncIterable<Window>,
  { rate, fromMs, pieces, points, underDb, open }: Under,
): AsyncGenerator<Window> {
  const sounding = new Map<PlayedPiece, MusicReader>();
  const begun = new Set<PlayedPiece>();
  const sampleOf = (ms: number) => Math.round(((ms - fromMs) * rate) / 1000);
  let at = 0;
  try {
    for await (const { samples: window, alone } of windows) {
      const end = at + window.length;
      let played = false;
      for (const piece of pieces) {
        const [first, last] = [sampleOf(piece.fromMs), sampleOf(piece.toMs)];
        if (last <= at || first >= end) continue;
        const from = Math.max(first, at);
        if (!begun.has(piece)) {
          begun.add(piece);
          sounding.set(piece, await open(piece, ((from - first) * 1000) / rate));
        }
        const reader = sounding.get(piece);
        if (!reader) continue;
        played = true;
        const to = Math.min(last, end);
        const samples = await reader.read(to - from);
        const gain = (i: number) => {
          const ms = fromMs + (i * 1000) / rate;
          return asFactor(levelAt(points, ms, underDb)) * fadeAt(piece, ms);
        };
        const step = Math.round(LEVEL_S * rate);
        for (let block = from; block < to; block += step) {
          const stop = Math.min(block + step, to);
          const [g0, g1] = [gain(block), gain(stop)];
          for (let i = block; i < stop; i++) {
            const g = g0 + ((g1 - g0) * (i - block)) / (stop - block);
            window[i - at] = (window[i - at] ?? 0) + g * (samples[i - from] ?? 0);
          }
        }
        if (to === last) {
          reader.close();
          sounding.delete(piece);
        }
      }
      at = end;
      yield { samples: window, alone: alone && !played };
    }
  } finally {
    for (const reader of sounding.values()) reader.close();
  }
}
