import { LIBRARY_BOOK } from '@library';
import type { Plan } from '@/core/class';
import { compile, type Score } from '@/core/score';
import { estimateSpeech, measuredMeter, notingMeter, utteranceKey } from '@/core/speech';
import { type Voice, voice } from './voice';

/**
 * Compiles a class with the lengths its cues really have in this machine's voice; with the estimate
 * where there is none. The score says which.
 */
export async function compileMeasured(plan: Plan, speaker?: Voice | null): Promise<Score> {
  const speaking = speaker === undefined ? await voice() : speaker;
  if (!speaking) return compile(plan, LIBRARY_BOOK);
  const noting = notingMeter(estimateSpeech);
  compile(plan, LIBRARY_BOOK, { meter: noting.meter });
  const lengths = new Map<string, number>();
  await Promise.all(
    noting.asked.map(async (utterance) => {
      lengths.set(utteranceKey(utterance), await speaking.length(utterance));
    }),
  );
  const measured = measuredMeter(lengths, estimateSpeech);
  return compile(plan, LIBRARY_BOOK, { meter: measured.meter, speechSource: measured.source });
}
