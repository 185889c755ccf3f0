import type { Language } from '../language';
import { doseMs } from '../move';
import { CUE_GAP_MS } from './lane';
import { doseOn, type Turn } from './turns';
import type { Pace, Saying } from './wording';

export const BEAT_MS = 1000;
export const COUNT_IN = 3;

export type Length = (text: string, language: Language) => number;

/** The longest number word from one up to a number, looked up once for each. */
export function longestWords(numberMs: (n: number) => number): (upTo: number) => number {
  const longest = [0];
  return (upTo) => {
    for (let n = longest.length; n <= upTo; n++) {
      longest.push(Math.max(longest[n - 1] ?? 0, numberMs(n)));
    }
    return longest[upTo] ?? 0;
  };
}

/** How long cues of a talk are. Below 1 the teacher says them in fewer words; above 1 more is said between them. */
export const inOwnWords = (length: Length, factor: number): Length =>
  factor < 1 ? (text, language) => Math.round(length(text, language) * factor) : length;

/**
 * Time it takes to say some things one after the other, each with its gap.
 * @param factor how many times as long somebody takes who says them in words of their own
 */
export function talkMs(sayings: readonly Saying[], length: Length, factor = 1): number {
  const own = inOwnWords(length, factor);
  const more = Math.max(1, factor);
  return sayings.reduce(
    (sum, s) => sum + Math.round((own(s.text, s.language) + CUE_GAP_MS) * more),
    0,
  );
}

const countInMs = (pace: Pace): number => (pace.countIn ? COUNT_IN * BEAT_MS : 0);

/** Time to get into place between an explanation and the count-in. */
function settleMs(sayings: readonly Saying[], pace: Pace): number {
  const said = (kind: Saying['kind']) => sayings.some((s) => s.kind === kind);
  const share = said('setup') ? 1 : said('short') ? 0.5 : 0;
  return Math.round(pace.settleSeconds * 1000 * share);
}

/** Length of an upbeat: all that is said in it, time to get into place, and the count-in. */
export const upbeatMs = (
  sayings: readonly Saying[],
  pace: Pace,
  length: Length,
  talkingFactor: number,
): number => talkMs(sayings, length, talkingFactor) + settleMs(sayings, pace) + countInMs(pace);

/** Length of a change of side: at least what the house rules want, and never less than is said. */
export const switchMs = (
  sayings: readonly Saying[],
  pace: Pace,
  length: Length,
  talkingFactor: number,
): number =>
  Math.max(
    Math.round(pace.switchSeconds * 1000),
    talkMs(sayings, length, talkingFactor) + countInMs(pace),
  );

/** How a turn ends: the time it is let go in, and whether that is only the time its words take. */
export function releaseMs(
  turn: Turn,
  of: { letGo: readonly Saying[]; saysIt: boolean; length: Length; talkingFactor: number },
): number {
  const { letGo, saysIt, length, talkingFactor } = of;
  const times = timesOf(turn);
  if (times.releaseMs + times.restMs > 0 || !saysIt) return times.releaseMs;
  return talkMs(letGo, length, talkingFactor);
}

export interface TurnTimes {
  releaseMs: number;
  restMs: number;
}

/** Work of one turn over all its sides, in ms. */
export const workMs = (turn: Turn): number =>
  turn.sides.reduce((sum, side) => sum + doseMs(doseOn(turn, side)), 0);

export function timesOf(turn: Turn): TurnTimes {
  const { segment } = turn;
  return {
    releaseMs: Math.round(segment.releaseSeconds * 1000),
    restMs: turn.lastInBlock ? 0 : Math.round(segment.restSeconds * 1000),
  };
}
