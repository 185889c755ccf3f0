import type { Plan } from '@/core/class';
import { type Book, type CompileOptions, compile, type Score } from '@/core/score';
import {
  estimateSpeech,
  measuredMeter,
  notingMeter,
  type Utterance,
  utteranceKey,
} from '@/core/speech';

/** Somebody or something that says cues. */
export interface Speaker {
  /** How long an utterance is, in whole ms; null where it cannot be said. */
  length: (utterance: Utterance) => Promise<number | null>;
}

/**
 * Compiles a class with the lengths its cues really have in a voice; with the estimate where there is
 * none. The score says which.
 */
export async function compileMeasured(
  plan: Plan,
  book: Book,
  speaker: Speaker | null,
  options: Pick<CompileOptions, 'room' | 'talkingFactor'> = {},
): Promise<Score> {
  const noting = notingMeter(estimateSpeech);
  const estimated = compile(plan, book, { ...options, meter: noting.meter });
  if (!speaker) return estimated;
  const lengths = new Map<string, number>();
  await Promise.all(
    noting.asked.map(async (utterance) => {
      const ms = await speaker.length(utterance);
      if (ms !== null) lengths.set(utteranceKey(utterance), ms);
    }),
  );
  const { meter, source } = measuredMeter(lengths, estimateSpeech);
  return compile(plan, book, { ...options, meter, speechSource: source });
}
