import { addressOf, CALLS } from '@/core/calls';
import type { Utterance } from '@/core/speech';
import { speakInBrowser } from './browser-voice';

export function speechUrl({ text, language, wordsPerMinute }: Utterance): string {
  return addressOf(CALLS.hear, undefined, { text, language, rate: wordsPerMinute });
}

/**
 * Speaks one text now, from the server's rendering or with the browser's own voice.
 * @returns how to stop it, or null where nothing can speak
 */
export async function hear(utterance: Utterance): Promise<(() => void) | null> {
  const audio = new Audio(speechUrl(utterance));
  try {
    await audio.play();
    return () => audio.pause();
  } catch {
    // No rendering to be had (or playing was refused); the browser's own voice is the next best.
    return speakInBrowser(utterance) ? () => speechSynthesis.cancel() : null;
  }
}
