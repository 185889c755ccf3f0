import { addressOf, type Call } from '@/core/calls';
import { refusedBy, Unreachable } from './api';

export interface Taking {
  signal: AbortSignal;
  /** The token of somebody's own page, where that is who asks. */
  home?: string;
  /** How many bytes are there, and how many there will be; null where the server did not say. */
  onBytes: (bytes: number, of: number | null) => void;
}

/**
 * Fetches a file piece by piece. Nothing is kept of one that breaks off.
 * @throws Refused where the server said no, Unreachable where it did not answer to the end; the signal's reason
 */
export async function takeFile(
  call: Call,
  { id, body }: { id: string; body: Readonly<Record<string, unknown>> },
  { signal, onBytes, home }: Taking,
): Promise<Blob> {
  const parts: BlobPart[] = [];
  try {
    const response = await fetch(addressOf(call, id, body), {
      signal,
      ...(home && { headers: { Authorization: `Bearer ${home}` } }),
    });
    if (!response.ok || !response.body) throw refusedBy(response.status, await response.text());
    const of = Number(response.headers.get('content-length')) || null;
    const reader = response.body.getReader();
    let bytes = 0;
    for (let read = await reader.read(); !read.done; read = await reader.read()) {
      parts.push(read.value as BlobPart);
      bytes += read.value.length;
      onBytes(bytes, of);
    }
    return new Blob(parts, { type: response.headers.get('content-type') ?? '' });
  } catch (problem) {
    if (signal.aborted) throw signal.reason;
    if (problem instanceof TypeError) throw new Unreachable(problem.message);
    throw problem;
  }
}
