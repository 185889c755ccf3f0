import { CUE_GAP_MS, type Score } from '../score';
import { cuesByStep } from './due';
import type { Spent } from './spent';

/** How long the cues of upbeats and switches take by themselves, and how long the teacher took over them. */
export interface TalkSample {
  cuesMs: number;
  takenMs: number;
}

/** A stretch of talk counts for no more than so many times its cues. */
const MOST = 3;
/** The last cue of a stretch counts as heard when no more of it than this is missing, in ms. */
const NEARLY_MS = 500;
/** Before the first class, so much talk is taken as heard already, exactly as long as its cues; in ms. */
const PRIOR_MS = 180_000;
/** How many classes count; the latest ones do. */
export const TALK_CLASSES = 10;
const LARGEST_FACTOR = 2;

/**
 * How a teacher talked in one run. Only talk that was heard to its last cue says something of it; who
 * went on before has not talked faster. Time to get into place, counting in and what a switch lasts anyway
 * are the same for everybody and are taken off; time the class stood still in an upbeat is talk.
 */
export function talkOf(score: Score, parts: readonly Spent[], easier?: Score | null): TalkSample {
  const groups = cuesByStep(score, easier);
  const factor = score.talkingFactor;
  const sample: TalkSample = { cuesMs: 0, takenMs: 0 };
  for (const { part, ms, stoodMs } of parts) {
    const { kind, durationMs } = part.step;
    if (kind !== 'upbeat' && kind !== 'switch') continue;
    const said = (groups[part.planned] ?? []).filter((cue) => cue.kind !== 'countIn');
    const cuesMs = said.reduce((sum, cue) => sum + cue.durationMs + CUE_GAP_MS, 0);
    const lastMs = Math.max(0, ...said.map((cue) => cue.offsetMs + cue.durationMs));
    if (cuesMs === 0 || ms < lastMs - NEARLY_MS) continue;
    const takenMs = ms + stoodMs - (durationMs - cuesMs * factor);
    sample.cuesMs += cuesMs;
    sample.takenMs += Math.round(Math.max(cuesMs, Math.min(MOST * cuesMs, takenMs)));
  }
  return sample;
}

/**
 * How many times as long as its cues the talk of a teacher takes: 1 to 2, in hundredths. It is learned
 * slowly, so that one odd class changes little, and never below 1, since the cues are said in full.
 * @param samples of the latest classes, `TALK_CLASSES` at most
 */
export function talkingFactor(samples: readonly TalkSample[]): number {
  const sum = (of: (s: TalkSample) => number) => samples.reduce((ms, s) => ms + of(s), PRIOR_MS);
  const factor = sum((s) => s.takenMs) / sum((s) => s.cuesMs);
  return Math.round(100 * Math.max(1, Math.min(LARGEST_FACTOR, factor))) / 100;
}
