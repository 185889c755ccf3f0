import type { Say } from '../class';
import { CUE_GAP_MS, type Score } from '../score';
import { cuesByStep } from './due';
import { isTrue } from './playback';
import type { Spent } from './spent';

/** How a teacher talked in one class. */
export interface TalkSample {
  /** How long the cues of upbeats and switches take by themselves, of those that tell how much somebody talks. */
  cuesMs: number;
  /** How long the teacher took over them. */
  takenMs: number;
  /** How long all cues are that came up, and how much of that was not said, since the teacher went on before. */
  offeredMs: number;
  leftOutMs: number;
  /** How much the class says. */
  say: Say;
  /** Whether the teacher said the words, and no voice. */
  self: boolean;
}

/** A stretch of talk counts for no more, and no less, than so many times its cues. */
const MOST = 3;
const LEAST = 0.5;
/** The last cue of a stretch counts as heard when no more of it than this is missing, in ms. */
const NEARLY_MS = 500;
/** Before the first class, so much talk is taken as heard already, exactly as long as its cues; in ms. */
const PRIOR_MS = 180_000;
/** How many classes count; the latest ones of a kind do. */
export const TALK_CLASSES = 10;
/** How many are looked through for those of a kind. */
export const TALK_KEPT = 40;
const LARGEST_FACTOR = 2;
const SMALLEST_FACTOR = 0.6;

/** From so many classes on, and from such a share on, less is to be said in the plan too. */
const HABIT_CLASSES = 3;
const HABIT_SHARE = 0.25;

/**
 * How a teacher talked in one run. Where a voice says the words, only talk that was heard to its last cue tells how
 * long they take: who went on before has not talked faster, but left something out. Where they say them
 * themselves, they go on when they are done. What was skipped whole tells neither. Time to get into place, counting
 * in and what a switch lasts anyway are the same for everybody and are taken off; time the class stood still in an
 * upbeat is talk.
 */
export function talkOf(score: Score, parts: readonly Spent[], easier?: Score | null): TalkSample {
  const groups = cuesByStep(score, easier);
  const factor = score.talkingFactor;
  const { say, self } = score.words ?? { say: 'all', self: false };
  const sample: TalkSample = { cuesMs: 0, takenMs: 0, offeredMs: 0, leftOutMs: 0, say, self };
  const worked = new Set(
    parts.filter((p) => p.ms > 0 && p.part.step.kind === 'work').map((p) => p.part.planned),
  );
  for (const { part, ms, stoodMs } of parts) {
    const { kind, durationMs } = part.step;
    if (kind !== 'upbeat' && kind !== 'switch') continue;
    const said = (groups[part.planned] ?? [])
      .filter((cue) => cue.kind !== 'countIn' && isTrue(part, cue))
      .map(({ offsetMs, durationMs: asPlanned }) => ({
        offsetMs,
        asPlanned,
        fullMs: asPlanned / Math.min(1, factor) + CUE_GAP_MS,
      }));
    const cuesMs = Math.round(said.reduce((sum, cue) => sum + cue.fullMs, 0));
    if (cuesMs === 0) continue;
    const plannedMs = said.reduce(
      (sum, cue) => sum + (cue.asPlanned + CUE_GAP_MS) * Math.max(1, factor),
      0,
    );
    const takenMs = ms + stoodMs - (durationMs - plannedMs);
    const lastMs = Math.max(...said.map((cue) => cue.offsetMs + cue.asPlanned));
    const toItsEnd = ms >= lastMs - NEARLY_MS;
    if (!toItsEnd && !worked.has(part.planned + 1)) continue;
    const within = (least: number) =>
      Math.round(Math.max(least * cuesMs, Math.min(MOST * cuesMs, takenMs)));
    sample.offeredMs += cuesMs;
    if (self) {
      sample.leftOutMs += Math.max(0, cuesMs - within(LEAST));
    } else if (!toItsEnd) {
      const unheard = said.filter((cue) => ms < cue.offsetMs + cue.asPlanned / 2);
      sample.leftOutMs += Math.round(unheard.reduce((sum, cue) => sum + cue.fullMs, 0));
    }
    if (!self && !toItsEnd) continue;
    sample.cuesMs += cuesMs;
    sample.takenMs += within(self ? LEAST : 1);
  }
  return sample;
}

/** Who says the words of a class, and how many of them. */
export type Talker = Pick<TalkSample, 'say' | 'self'>;

/**
 * How many times as long as its cues the talk of a teacher takes: 0.6 to 2, in hundredths. It is learned slowly, so
 * that one odd class changes little. A voice says its cues in full, so with one it is never below 1; nor where
 * a class says all there is to say, since then less is to be said first (`tooMuchSaid`).
 * @param samples latest first
 */
export function talkingFactor(samples: readonly TalkSample[], { say, self }: Talker): number {
  const alike = samples
    .filter((s) => s.self === self && (!self || (s.say === 'all') === (say === 'all')))
    .slice(0, TALK_CLASSES);
  const sum = (of: (s: TalkSample) => number) => alike.reduce((ms, s) => ms + of(s), PRIOR_MS);
  const least = self && say !== 'all' ? SMALLEST_FACTOR : 1;
  const factor = sum((s) => s.takenMs) / sum((s) => s.cuesMs);
  return Math.round(100 * Math.max(least, Math.min(LARGEST_FACTOR, factor))) / 100;
}

/** What is known of how a teacher talks. */
export interface Talk {
  /** Whether they say the words of a class themselves. */
  self: boolean;
  /** Latest first. */
  samples: readonly TalkSample[];
}

/** The talking factor of a class that says so much, by whom it is said now. */
export const factorOf = ({ self, samples }: Talk, say: Say): number =>
  talkingFactor(samples, { say, self });

/** What a teacher leaves out of classes that say so much. */
export interface LeftOutHabit {
  /** Share of what is said, from 0 to 1. */
  share: number;
  /** In how many classes. */
  classes: number;
  /** What would be said instead. */
  instead: Say;
}

const SHORTER: Partial<Record<Say, Say>> = { all: 'short', short: 'names' };

/**
 * Whether a teacher leaves out so much of what classes like this one say that less may be planned: a quarter of it,
 * in three classes or more. Null where not, or where nothing shorter is left.
 * @param samples latest first
 */
export function tooMuchSaid(samples: readonly TalkSample[], say: Say): LeftOutHabit | null {
  const instead = SHORTER[say];
  const alike = samples.filter((s) => s.say === say).slice(0, TALK_CLASSES);
  if (!instead || alike.length < HABIT_CLASSES) return null;
  const sum = (of: (s: TalkSample) => number) => alike.reduce((ms, s) => ms + of(s), 0);
  const share =
    sum((s) => s.leftOutMs) /
    Math.max(
      1,
      sum((s) => s.offeredMs),
    );
  return share < HABIT_SHARE ? null : { share, classes: alike.length, instead };
}
