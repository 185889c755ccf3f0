import { z } from 'zod';
import { type Language, languageSchema } from '@/core/move';
import { type Take, wavOf } from '@/core/speech';
import { call } from './api';

export const recordingSchema = z.object({
  id: z.uuid(),
  language: languageSchema,
  text: z.string(),
  ms: z.number(),
  recordedAt: z.number(),
});
export type KeptRecording = z.infer<typeof recordingSchema>;

/** Words to be said. */
export interface Words {
  text: string;
  language: Language;
}

export const wordsKey = ({ text, language }: Words): string => `${language} ${text}`;

/** All recordings of the teacher. Throws as `call` does. */
export async function listRecordings(): Promise<KeptRecording[]> {
  const schema = z.object({ recordings: z.array(recordingSchema) });
  return (await call('GET', '/api/recordings', null, schema)).recordings;
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) {
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  }
  return btoa(text);
}

/** Keeps a take as the recording of some words. Throws as `call` does. */
export async function keepRecording({ text, language }: Words, take: Take): Promise<KeptRecording> {
  const body = { text, language, wav: base64(wavOf(take)) };
  const schema = z.object({ recording: recordingSchema });
  return (await call('POST', '/api/recordings', body, schema)).recording;
}

/** Where a recording is heard. */
export const recordingUrl = (id: string): string => `/api/recordings/${id}`;

export async function dropRecording(id: string): Promise<void> {
  await call('DELETE', recordingUrl(id), {}, z.object({ id: z.string() }));
}
