import { type Counting, countingTraits } from '../class';
import { type Dose, doseBeats, doseMs, traitsOf } from '../move';
import { CUE_GAP_MS } from './lane';

export interface Count {
  number: number;
  offsetMs: number;
  /** Counted from the end of the work, so it moves along when the work is extended. */
  fromEnd: boolean;
}

const COUNTED_AT_THE_END = 5;
const THINNING = [1, 2, 5, 10, 20, 50];

/** Every how many-th count can be said when the longest count word takes so long, in ms. */
export function thinning(beatMs: number, longestWordMs: number): number {
  const needed = longestWordMs + CUE_GAP_MS;
  return THINNING.find((every) => every * beatMs >= needed) ?? Math.ceil(needed / beatMs);
}

/** A stretch of work that is counted for itself: all of it, or one stage. */
export interface CountedSpan {
  /** From the start of the work, in ms. */
  startMs: number;
  durationMs: number;
  /** It goes on to the end of the work. */
  last: boolean;
}

/** How a dose is really counted: "every rep" counts reps up, and holds by their last five. */
function way(dose: Dose, counting: Counting): 'up' | 'down' | 'last-five' | 'silent' {
  const { countedBy } = traitsOf(dose);
  const { aloud } = countingTraits(counting);
  if (countedBy === 'breath' || !aloud) return 'silent';
  if (aloud !== 'as the dose is counted') return aloud;
  return countedBy === 'number' ? 'up' : countedBy;
}

/**
 * The counts said aloud in one stretch of work. A count counted down falls so that "one" comes exactly
 * one beat before its end. Breaths are paced by their in and out, not by numbers.
 * @param longestWordMs length of the longest number word from one up to a number
 */
export function counts(
  dose: Dose,
  counting: Counting,
  longestWordMs: (upTo: number) => number,
  { startMs, durationMs, last }: CountedSpan = { startMs: 0, durationMs: doseMs(dose), last: true },
): Count[] {
  const how = way(dose, counting);
  if (how === 'silent') return [];
  const { beatMs } = doseBeats(dose);
  // A beat may be a fraction of a millisecond short of a whole one.
  const count = Math.floor(durationMs / beatMs + 0.01);
  const first = how === 'last-five' ? Math.min(COUNTED_AT_THE_END, count) : count;
  const every = thinning(beatMs, longestWordMs(first));
  const said: Count[] = [];
  if (how === 'up') {
    for (let n = every; n <= count; n += every) {
      said.push({ number: n, offsetMs: Math.round(startMs + (n - 1) * beatMs), fromEnd: false });
    }
    return said;
  }
  const end = startMs + durationMs;
  for (let n = first - ((first - 1) % every); n >= 1; n -= every) {
    // A beat that is a fraction longer than what it ends begins at nought, not at a nought below it.
    const offsetMs = Math.round(end - n * beatMs) || 0;
    if (offsetMs >= startMs) said.push({ number: n, offsetMs, fromEnd: last });
  }
  return said;
}

/** How work that is counted up is counted on where it is made longer. */
export interface CountsOn {
  /** Names it; work that is counted alike has it in common. */
  key: string;
  /** With offsets from the end of the work as planned. */
  counts: Count[];
}

/** For so much longer, at most, what is counted up is counted on, in ms. */
const MOST_COUNTED_ON_MS = 60_000;

/**
 * The counts that follow those of a stretch of work, in their rhythm; null where it is not counted up.
 * @param longestWordMs length of the longest number word from one up to a number
 */
export function countsOn(
  dose: Dose,
  counting: Counting,
  longestWordMs: (upTo: number) => number,
  { durationMs, last }: CountedSpan,
): CountsOn | null {
  if (!last || way(dose, counting) !== 'up') return null;
  const { beatMs } = doseBeats(dose);
  const count = Math.floor(durationMs / beatMs + 0.01);
  const every = thinning(beatMs, longestWordMs(count));
  const counts: Count[] = [];
  for (let n = (Math.floor(count / every) + 1) * every; ; n += every) {
    const offsetMs = Math.round((n - 1) * beatMs - durationMs);
    if (offsetMs + beatMs > MOST_COUNTED_ON_MS) break;
    counts.push({ number: n, offsetMs, fromEnd: false });
  }
  return { key: [durationMs, beatMs, every].join(' '), counts };
}
