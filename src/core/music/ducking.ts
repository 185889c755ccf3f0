/**
 * How music steps back while somebody speaks: quickly down before the first word, slowly up after the last, and not up
 * at all in a pause too short for it. The times are common practice of mixing speech over music (from memory).
 */

/** A stretch of time in which somebody speaks, in ms. */
export interface Spoken {
  fromMs: number;
  toMs: number;
}

/** A point of the way of the music's level: in a straight line in dB from each to the next. */
export interface LevelPoint {
  atMs: number;
  /** Relative to what is said. */
  db: number;
}

/** How long before the first word it goes down. */
export const DUCK_MS = 400;
/** How long it stays down after the last word, and how long it then takes to come back. */
export const HOLD_MS = 600;
export const RISE_MS = 2500;
/** How much louder it is where nobody speaks, in dB, but never as loud as the voice. */
const RISES_DB = 8;
const LEAST_UNDER_DB = 4;

/** How loud music is, in dB relative to what is said: while somebody speaks, and alone. */
export const musicLevels = (underDb: number): { under: number; alone: number } => ({
  under: -underDb,
  alone: -Math.max(Math.min(underDb, LEAST_UNDER_DB), underDb - RISES_DB),
});

/** Stretches that are joined where the music could not come back between them without pumping. */
export function joined(spoken: readonly Spoken[]): Spoken[] {
  const all: Spoken[] = [];
  for (const { fromMs, toMs } of [...spoken].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = all.at(-1);
    if (last && fromMs - DUCK_MS <= last.toMs + HOLD_MS + RISE_MS) {
      last.toMs = Math.max(last.toMs, toMs);
    } else all.push({ fromMs, toMs });
  }
  return all;
}

/**
 * The way of the music's level over what is said: the points where it begins to change and has changed.
 * @param spoken in any order; they may overlap
 */
export function ducking(spoken: readonly Spoken[], underDb: number): LevelPoint[] {
  const { under, alone } = musicLevels(underDb);
  return joined(spoken).flatMap(({ fromMs, toMs }) => [
    { atMs: fromMs - DUCK_MS, db: alone },
    { atMs: fromMs, db: under },
    { atMs: toMs + HOLD_MS, db: under },
    { atMs: toMs + HOLD_MS + RISE_MS, db: alone },
  ]);
}

/** The level at a time. @param points in order; nobody speaks where there are none */
export function levelAt(points: readonly LevelPoint[], atMs: number, underDb: number): number {
  const next = firstAfter(points, atMs);
  const [before, after] = [points[next - 1], points[next]];
  if (!before || !after) return musicLevels(underDb).alone;
  const share = (atMs - before.atMs) / (after.atMs - before.atMs);
  return before.db + share * (after.db - before.db);
}

/** The index of the first point after a time. */
function firstAfter(points: readonly LevelPoint[], atMs: number): number {
  let [low, high] = [0, points.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((points[middle]?.atMs ?? 0) > atMs) high = middle;
    else low = middle + 1;
  }
  return low;
}

export const asFactor = (db: number): number => 10 ** (db / 20);
