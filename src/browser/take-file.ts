import type { z } from 'zod';
import { addressOf, type Call } from '@/core/calls';
import type { SoundProgress, soundProgressSchema } from '@/core/take-away';
import { ask, byHome, isExpected, refusedBy, Unreachable } from './api';
import { newId } from './new-id';

/** How often one looks how far a file is, in ms. */
const LOOK_MS = 400;

/** How far a file is: until it is sent, as the server says, where that can be asked; of so many bytes, if known. */
export type HowFar =
  | Exclude<SoundProgress, { state: 'none' }>
  | { state: 'sending'; bytes: number; of: number | null };

export interface Taking {
  signal: AbortSignal;
  /** The token of somebody's own page, where that is who asks. */
  home?: string;
  /** By which one asks how far it is, where it waits for its turn and takes a while to make. */
  look?: Call<z.ZodType, typeof soundProgressSchema>;
  onProgress: (howFar: HowFar) => void;
}

/**
 * Fetches a file piece by piece. Nothing is kept of one that breaks off.
 * @throws Refused where the server said no, Unreachable where it did not answer to the end; the signal's reason
 */
export async function takeFile(
  call: Call,
  { id, body }: { id: string; body: Readonly<Record<string, unknown>> },
  { signal, onProgress, home, look }: Taking,
): Promise<Blob> {
  const ticket = look && newId();
  const parts: BlobPart[] = [];
  let isMade = false;
  const lookAt = async (by: NonNullable<typeof look>, id: string) => {
    try {
      const howFar = await ask(by, { id, ...(home && { home }) });
      if (!isMade && !signal.aborted && howFar.state !== 'none') onProgress(howFar);
    } catch (problem) {
      // What is wrong is told of the file itself.
      if (!isExpected(problem)) throw problem;
    }
  };
  const looking = look && ticket && setInterval(() => void lookAt(look, ticket), LOOK_MS);
  const made = () => {
    isMade = true;
    clearInterval(looking);
  };
  try {
    const response = await fetch(addressOf(call, id, { ...body, ...(ticket && { ticket }) }), {
      signal,
      headers: byHome(home),
    });
    if (!response.ok || !response.body) throw refusedBy(response.status, await response.text());
    const of = Number(response.headers.get('content-length')) || null;
    const reader = response.body.getReader();
    let bytes = 0;
    for (let read = await reader.read(); !read.done; read = await reader.read()) {
      made();
      parts.push(read.value as BlobPart);
      bytes += read.value.length;
      onProgress({ state: 'sending', bytes, of });
    }
    return new Blob(parts, { type: response.headers.get('content-type') ?? '' });
  } catch (problem) {
    if (signal.aborted) throw signal.reason;
    if (problem instanceof TypeError) throw new Unreachable(problem.message);
    throw problem;
  } finally {
    made();
  }
}
