import type { Plan } from '@/core/class';
import { type Book, compile, type Room, type Score } from '@/core/score';
import { estimateSpeech, measuredMeter, notingMeter, utteranceKey } from '@/core/speech';
import { type Voice, voice } from './voice';

export interface MeasuredOptions {
  room?: Room;
  /** The voice to measure with; this machine's where none is given, none where it is null. */
  speaker?: Voice | null;
}

/**
 * Compiles a class with the lengths its cues really have in this machine's voice; with the estimate
 * where there is none. The score says which.
 */
export async function compileMeasured(
  plan: Plan,
  book: Book,
  { room, speaker }: MeasuredOptions = {},
): Promise<Score> {
  const speaking = speaker === undefined ? await voice() : speaker;
  if (!speaking) return compile(plan, book, { room });
  const noting = notingMeter(estimateSpeech);
  compile(plan, book, { meter: noting.meter, room });
  const lengths = new Map<string, number>();
  await Promise.all(
    noting.asked.map(async (utterance) => {
      lengths.set(utteranceKey(utterance), await speaking.length(utterance));
    }),
  );
  const { meter, source } = measuredMeter(lengths, estimateSpeech);
  return compile(plan, book, { meter, speechSource: source, room });
}
