import type { DeviceVoices, Utterance } from '@/core/speech';

/** Somebody or something that says cues. */
export interface Speaker {
  /** How long an utterance is, in whole ms; null where it cannot be said. */
  length: (utterance: Utterance) => Promise<number | null>;
  /** The same as far as it is known without saying it first. */
  knownLength: (utterance: Utterance) => Promise<number | null>;
  /** Voices of the device that leads, which say what is not recorded. */
  deviceVoices?: DeviceVoices;
  /** Whether a recording says it. */
  isRecorded?: (utterance: Utterance) => boolean;
  /** Whether its length is known and not only expected; always where no voice of a device says it. */
  isMeasured?: (utterance: Utterance) => boolean;
}

/** So many texts are asked for at once, so that a long class leaves the disk to others between. */
const AT_ONCE = 16;

/** Lengths of texts in ms, in their order; null where one is not known or cannot be said. */
export async function inTurns(
  asked: readonly Utterance[],
  lengthOfText: (utterance: Utterance) => Promise<number | null>,
): Promise<(number | null)[]> {
  const lengths: (number | null)[] = [];
  for (let at = 0; at < asked.length; at += AT_ONCE) {
    lengths.push(...(await Promise.all(asked.slice(at, at + AT_ONCE).map(lengthOfText))));
  }
  return lengths;
}
