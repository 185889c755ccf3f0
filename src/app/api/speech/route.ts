import { NextResponse } from 'next/server';
import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { spoken } from '@/server/speech/teacher-speech';
import { answering } from '../handle';

/** Browsers may keep what they hear, but ask each time whether it is still said like that. */
export const GET = answering(CALLS.hear, async ({ teacher, body, request }) => {
  const { text, language, rate } = body;
  const utterance = { text, language, wordsPerMinute: rate };
  const audio = await spoken(db(), teacher, utterance, request.signal);
  const etag = `"${audio.mark}"`;
  const headers = { ETag: etag, 'Cache-Control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === etag) {
    return new NextResponse(null, { status: 304, headers });
  }
  return new NextResponse(new Uint8Array(audio.wav), {
    headers: { ...headers, 'Content-Type': 'audio/wav' },
  });
});
