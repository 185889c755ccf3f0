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

/** What was heard last by a press. */
let heard: HTMLAudioElement | null = null;

/** Stops what was begun by a press, also where it is not heard yet. */
export function fallSilent(): void {
  heard?.pause();
  heard = null;
}

/**
 * Plays a file now; what was begun by a press before falls silent.
 * @param volume 0 to 1
 * @returns how to stop it
 * @throws DOMException where the browser plays no sound here; not where it is cut off before it begins
 */
export async function hearFile(file: string | Blob, volume = 1): Promise<() => void> {
  fallSilent();
  const url = typeof file === 'string' ? file : URL.createObjectURL(file);
  const audio = new Audio(url);
  audio.volume = volume;
  heard = audio;
  const stop = () => {
    if (heard === audio) heard = null;
    audio.pause();
  };
  try {
    await audio.play();
  } catch (problem) {
    if (heard === audio) throw problem;
  } finally {
    // It is read as long as it plays; browsers tell a pause at its end as well.
    if (typeof file !== 'string') {
      if (audio.paused) URL.revokeObjectURL(url);
      else audio.onpause = () => URL.revokeObjectURL(url);
    }
  }
  return stop;
}

/**
 * Speaks one text now, from the server's rendering or with the browser's own voice.
 * @returns how to stop it, or null where nothing can speak
 */
export async function hear(utterance: Utterance): Promise<(() => void) | null> {
  try {
    return await hearFile(speechUrl(utterance));
  } catch {
    // No rendering to be had (or playing was refused); the browser's own voice is the next best.
    return browserSpeaks() ? new DeviceVoice().say(utterance, { volume: 1 }) : null;
  }
}
