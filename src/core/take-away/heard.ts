import { bellsOf, tonesOf } from '../run';
import { type Cue, isCount, type Score } from '../score';
import type { Mark } from '../sound';
import { heardAs, markVolumes, type Sounds, softness, type Utterance } from '../speech';

/** Something that is heard at a time of a class, in ms from its start: said, or a mark. */
export type Heard = { startMs: number; volume: number } & (
  | { says: Utterance; durationMs: number; count: boolean; freeMs: number }
  | { mark: Mark }
);

/**
 * All that is heard of a class that is done as it was planned, in order.
 * @param counts whether what keeps the beat is heard: counts and tones
 * @param sounds what counts are heard as, bells, and how loud they and the close are
 */
export function heardOf(
  score: Score,
  { counts, sounds }: { counts: boolean; sounds: Sounds },
): Heard[] {
  const { wordsPerMinute } = score;
  const volumes = markVolumes(sounds);
  let saidUntil = 0;
  const said = (cue: Cue): Heard[] => {
    const { startMs, durationMs, text, language, step } = cue;
    const count = isCount(cue);
    if (count && !counts) return [];
    const as = heardAs(cue.kind, sounds);
    if (as === 'nothing') return [];
    if (as !== 'words') return [{ startMs, mark: as, volume: volumes.counts }];
    const freeMs = Math.max(0, startMs - saidUntil);
    saidUntil = startMs + durationMs;
    const phase = score.steps[step]?.phase ?? 'work';
    const volume = softness(sounds, phase) * (count ? volumes.counts : 1);
    const says = { text, language, wordsPerMinute };
    return [{ startMs, durationMs, says, count, freeMs, volume }];
  };
  const words = [...score.cues].sort((a, b) => a.startMs - b.startMs).flatMap(said);
  const marks = score.steps.flatMap((step, i) => {
    const lengthMs = step.durationMs;
    const tones = counts ? [...tonesOf(step, lengthMs)] : [];
    const ends = { first: i === 0, last: i === score.steps.length - 1 };
    return [
      ...tones.map(
        ({ at, of }): Heard => ({
          startMs: step.startMs + at,
          mark: of,
          volume: volumes.counts,
        }),
      ),
      ...[...bellsOf({ kind: step.kind, lengthMs, ...ends }, sounds.bells)].map(
        (at): Heard => ({ startMs: step.startMs + at, mark: 'bell', volume: volumes.bells }),
      ),
    ];
  });
  return [...words, ...marks].sort((a, b) => a.startMs - b.startMs);
}
