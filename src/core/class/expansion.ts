import { type Dose, doseBeats, doseMs } from '../move';

/**
 * What a class becomes once laps, loops, rounds and sides are gone through. A short plan can become a very long class,
 * which nobody leads and which keeps a server busy, so there is a limit to it.
 */
export interface Expansion {
  /** Rounds of work, each side by itself. */
  turns: number;
  /** Beats that may be counted. */
  beats: number;
  /** Work in ms. */
  workMs: number;
}

/** Far more than four hours of class have. */
export const MOST_EXPANDED: Expansion = { turns: 1000, beats: 10_000, workMs: 5 * 3_600_000 };

/** Segments in a row of which some are done several times. */
interface Looping<S> {
  order: string;
  segments: readonly S[];
  loops?: readonly { from: string; to: string; times: number }[];
}

/**
 * The segments of a block with its loops gone through, the inner ones first where they lie in one another.
 * Only straight sets have loops; one whose ends are not in the block, or stand the wrong way round, is none.
 */
export function looped<S extends { id: string }>({
  order,
  segments,
  loops = [],
}: Looping<S>): readonly S[] {
  if (order !== 'straight' || loops.length === 0) return segments;
  const at = (id: string) => segments.findIndex((s) => s.id === id);
  return [...loops]
    .sort((a, b) => at(a.to) - at(a.from) - (at(b.to) - at(b.from)))
    .reduce<readonly S[]>((all, { from, to, times }) => {
      const first = all.findIndex((s) => s.id === from);
      const last = all.findLastIndex((s) => s.id === to);
      if (first < 0 || last < first) return all;
      const part = all.slice(first, last + 1);
      const again = Array.from({ length: times }, () => part).flat();
      return [...all.slice(0, first), ...again, ...all.slice(last + 1)];
    }, segments);
}

/** What of a segment says how long it becomes. */
interface Expanding {
  id: string;
  dose: Dose;
  rounds: number;
  sides: string;
  byRound?: readonly { dose?: Dose }[];
  uneven?: { dose: Dose };
}

/** One segment, its rounds gone through once. */
function ofSegment({ dose, rounds, sides, byRound = [], uneven }: Expanding): Expansion {
  const times = sides === 'together' ? 1 : 2;
  const all = { turns: 0, beats: 0, workMs: 0 };
  for (let round = 0; round < rounds; round++) {
    const own = byRound[round]?.dose ?? dose;
    // An uneven side takes at most what the longer of both takes.
    const longest = uneven && doseMs(uneven.dose) > doseMs(own) ? uneven.dose : own;
    all.turns += times;
    all.beats += times * doseBeats(longest).count;
    all.workMs += times * doseMs(longest);
  }
  return all;
}

/** What the blocks of a class become, at most. */
export function expansionOf(blocks: Iterable<Looping<Expanding> & { laps: number }>): Expansion {
  const all = { turns: 0, beats: 0, workMs: 0 };
  for (const block of blocks) {
    for (const segment of looped(block)) {
      const one = ofSegment(segment);
      all.turns += block.laps * one.turns;
      all.beats += block.laps * one.beats;
      all.workMs += block.laps * one.workMs;
    }
  }
  return all;
}

/** Says what is too much of a class; null where nothing is. */
export function tooMuchOf({ turns, beats, workMs }: Expansion): string | null {
  const most = MOST_EXPANDED;
  const why = 'Take rounds, laps or loops away, or make two classes of it';
  if (turns > most.turns) {
    return `becomes ${turns} rounds once laps and sides are gone through; a class has at most ${most.turns}. ${why}`;
  }
  if (beats > most.beats) {
    return `has ${beats} beats to count; a class has at most ${most.beats}. ${why}`;
  }
  if (workMs > most.workMs) {
    const hours = (ms: number) => Math.round(ms / 360_000) / 10;
    return `has ${hours(workMs)} hours of work; a class has at most ${hours(most.workMs)}. ${why}`;
  }
  return null;
}
