// By file: to load the whole of the core takes longer than to say most texts.
import { levelled, prompt } from '@/core/sound/loudness';
import { soundOf, wavMs, wavOf } from '@/core/speech/wav';

/** A WAV file as loud as all that is said, and beginning at once. */
export const levelledWav = (wav: Uint8Array): Buffer =>
  // What is too short to have a length has nothing to be heard either.
  Buffer.from(wavMs(wav) === null ? wav : wavOf(prompt(levelled(soundOf(wav)))));
