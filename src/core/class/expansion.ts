import { doseBeats, doseMs } from '../move';
import { looped } from './loops';
import type { Block, Segment } from './plan';

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
export const MOST_EXPANDED: Expansion = { turns: 1500, beats: 20_000, workMs: 6 * 3_600_000 };

/** One segment, its rounds gone through once. */
function ofSegment({ dose, rounds, sides, byRound = [], uneven }: Segment): Expansion {
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
export function expansionOf(blocks: Iterable<Block>): Expansion {
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
