// By file: to load the whole of the core takes longer than to say most texts.
import { levelled, prompt } from '@/core/sound/loudness';
import { soundOf, wavMs, wavOf, withTrueLength } from '@/core/speech/wav';
import { type Speaks, speaking, Unspeakable } from './speaking';

/** How programs are let speak, by this process or by one apart. */
export interface Voicing {
  /** What a program puts out, as it is. */
  speaks: Speaks;
  /** What a program puts out is a WAV file; as loud as all that is said, and beginning at once. */
  says: Speaks;
  /** Makes a WAV file so. */
  level: (wav: Buffer) => Promise<Buffer> | Buffer;
}

/** A WAV file as loud as all that is said, and beginning at once. */
export const levelledWav = (wav: Uint8Array): Buffer =>
  // What is too short to have a length has nothing to be heard either.
  Buffer.from(wavMs(wav) === null ? wav : wavOf(prompt(levelled(soundOf(wav)))));

/** What a program gave, as a file that knows how long it is: a program that streams did not know it yet. */
export function wavFrom(given: Buffer): Buffer {
  try {
    return withTrueLength(given);
  } catch {
    throw new Unspeakable('the program gave no WAV file');
  }
}

export const voicing: Voicing = {
  speaks: speaking,
  says: async (...asked) => levelledWav(wavFrom(await speaking(...asked))),
  level: levelledWav,
};
