import type { SpokenAudio } from '@/server/speech/teacher-speech';

/** A cue as a file. Browsers may keep what they hear, but ask each time whether it is still said like that. */
export function wavAnswer(request: Request, { wav, mark }: SpokenAudio): Response {
  const etag = `"${mark}"`;
  const headers = { ETag: etag, 'Cache-Control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === etag) {
    return new Response(null, { status: 304, headers });
  }
  return new Response(new Uint8Array(wav), {
    headers: { ...headers, 'Content-Type': 'audio/wav' },
  });
}
