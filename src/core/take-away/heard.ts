import { TONE_HZ, tonesOf } from '../run';
import { isCount, type Score } from '../score';
import type { Utterance } from '../speech';

/** Something that is heard at a time of a class, in ms from its start: said, or a tone. */
export type Heard = { startMs: number } & ({ says: Utterance } | { toneHz: number });

/**
 * All that is heard of a class that is done as it was planned, in order.
 * @param counts whether what keeps the beat is heard: counts and tones
 */
export function heardOf(score: Score, { counts }: { counts: boolean }): Heard[] {
  const said = score.cues
    .filter((cue) => counts || !isCount(cue))
    .map(({ startMs, text, language }): Heard => {
      const { wordsPerMinute } = score;
      return { startMs, says: { text, language, wordsPerMinute } };
    });
  const tones = (counts ? score.steps : []).flatMap((step) =>
    [...tonesOf(step, step.durationMs)].map(
      ({ at, of }): Heard => ({ startMs: step.startMs + at, toneHz: TONE_HZ[of] }),
    ),
  );
  return [...said, ...tones].sort((a, b) => a.startMs - b.startMs);
}
