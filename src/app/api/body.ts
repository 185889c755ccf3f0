import { tooMuchIn } from '@/core/bounded';
import { Refusal } from '@/core/calls';

/** Most bytes that the body of a request may have. */
const MOST_BYTES = 2_000_000;

/**
 * What is asked: of a request that only reads, what its address says.
 * @throws Refusal `too-large`, `too-much`, `not-json`
 */
export async function bodyOf(request: Request): Promise<unknown> {
  if (request.method === 'GET') return queryOf(request);
  const bytes = await bytesOf(request);
  if (bytes.length === 0) return {};
  // Only this kind cannot be sent by a form of another site.
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
  if (type !== 'application/json') throw new Refusal('not-json');
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new Refusal('not-json');
  }
  return bounded(json);
}

/** What the address of a request says. @throws Refusal `too-much` */
export const queryOf = ({ url }: Request): unknown =>
  bounded(Object.fromEntries(new URL(url).searchParams));

/** All of a body, of which no more is read than it may have: not everybody says beforehand how much it will be. */
async function bytesOf({ headers, body }: Request): Promise<Uint8Array> {
  if (Number(headers.get('content-length')) > MOST_BYTES) throw new Refusal('too-large');
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of (body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    length += part.length;
    if (length > MOST_BYTES) throw new Refusal('too-large');
    parts.push(part);
  }
  return Buffer.concat(parts);
}

function bounded(json: unknown): unknown {
  const tooMuch = tooMuchIn(json);
  if (tooMuch) throw new Refusal('too-much', tooMuch);
  return json;
}
