import { addressOf, CALLS } from '@/core/calls';
import type { MusicId } from '@/core/music';
import type { Utterance, VoiceId } from '@/core/speech';
import { browserSpeaks, DeviceVoice } from './device-voice';

/** @param voice of the machine; the teacher's own choice where none is named */
export function speechUrl({ text, language, wordsPerMinute }: Utterance, voice?: VoiceId): string {
  const asked = { text, language, rate: wordsPerMinute, ...(voice && { voice }) };
  return addressOf(CALLS.hear, undefined, asked);
}

/** Where a piece of music is heard. */
export const musicUrl = (id: MusicId): string => addressOf(CALLS.hearMusic, id);

/**
 * Speaks texts one after the other, in one voice of the machine.
 * @returns whether all of them were heard; false where something else was heard instead, or the signal ended it
 */
export async function hearInTurn(
  utterances: readonly Utterance[],
  voice: VoiceId,
  signal: AbortSignal,
): Promise<boolean> {
  for (const utterance of utterances) {
    if (signal.aborted) return false;
    const audio = new Audio(speechUrl(utterance, voice));
    const over = new Promise<boolean>((resolve) => {
      audio.onended = () => resolve(true);
      audio.onerror = () => resolve(false);
      signal.addEventListener('abort', () => {
        audio.pause();
        resolve(false);
      });
    });
    try {
      await audio.play();
    } catch {
      // It was refused, or there is nothing to play: `over` says so where it was asked to stop.
      return false;
    }
    if (!(await over)) return false;
  }
  return true;
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
    return browserSpeaks() ? new DeviceVoice().say(utterance, { volume: 1 }) : null;
  }
}
