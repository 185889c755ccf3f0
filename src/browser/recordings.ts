import { addressOf, CALLS, type Recording } from '@/core/calls';
import type { Language } from '@/core/language';
import { type Take, wavOf } from '@/core/speech';
import { ask } from './api';

/** Words to be said. */
export interface Words {
  text: string;
  language: Language;
}

export const wordsKey = ({ text, language }: Words): string => `${language} ${text}`;

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) {
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  }
  return btoa(text);
}

/** Keeps a take as the recording of some words. Throws as `ask` does. */
export async function keepRecording({ text, language }: Words, take: Take): Promise<Recording> {
  const body = { text, language, wav: base64(wavOf(take)) };
  return (await ask(CALLS.keepRecording, { body })).recording;
}

/** Where a recording is heard. */
export const recordingUrl = (id: string): string => addressOf(CALLS.hearRecording, id);
