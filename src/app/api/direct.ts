import type { IncomingMessage, ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { CALLS, type Call } from '@/core/calls';
import { WITH_ANSWERS, WITH_EVERYTHING } from '@/server/headers';
import { noteFault } from '@/server/watch/faults';
import type { Handler } from './handle';
import { POST as sendEvents } from './runs/[id]/events/route';
import { POST as takeLead } from './runs/[id]/lead/route';
import { GET as followLog } from './runs/[id]/live/route';
import { GET as tellTime } from './time/route';

/**
 * What a class is led with while a room waits for it: it is answered by node itself, by the same handlers, past what
 * the framework does for a page. A press costs the processor half as much so.
 */
const DIRECT: readonly (readonly [Call, Handler])[] = [
  [CALLS.sendEvents, sendEvents],
  [CALLS.takeLead, takeLead],
  [CALLS.followLog, followLog],
  [CALLS.tellTime, tellTime],
];

const ANSWERED = DIRECT.map(([{ method, path }, handler]) => {
  const pattern = new RegExp(`^${path.replace('[id]', '(?<id>[^/]+)')}$`);
  return { method, path, pattern, handler };
});

/** Answers what a class is led with; false where a request is for the application. */
export function serveDirectly(request: IncomingMessage, response: ServerResponse): boolean {
  const [pathname = ''] = (request.url ?? '').split('?');
  for (const { method, path, pattern, handler } of ANSWERED) {
    const match = request.method === method ? pattern.exec(pathname) : null;
    if (!match) continue;
    answer(request, response, (asked) =>
      handler(asked, { params: Promise.resolve({ id: match.groups?.id }) }),
    ).catch((problem: unknown) => {
      // Whoever asked has gone.
      if (response.destroyed) return;
      noteFault(problem, { route: path, in: 'route' });
      if (response.headersSent) return response.destroy();
      response.writeHead(500, HEADERS).end();
    });
    return true;
  }
  return false;
}

const HEADERS = { ...WITH_EVERYTHING, ...WITH_ANSWERS };

async function answer(
  request: IncomingMessage,
  response: ServerResponse,
  handler: (asked: Request) => Promise<Response>,
): Promise<void> {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  const parts = request.iterator({ destroyOnReturn: false });
  const answered = await handler(asRequest(request, parts, gone.signal));
  // What nobody wanted to read is let go by, so that the answer comes and another may be asked for.
  await parts.return?.();
  request.resume();
  const stays = answered.headers.get('content-type') === 'text/event-stream';
  // What is said at once is one piece with its head.
  const body = stays ? answered.body : await answered.text();
  response.writeHead(answered.status, { ...HEADERS, ...Object.fromEntries(answered.headers) });
  if (typeof body === 'string') response.end(body);
  else await pipeline(Readable.fromWeb(body as never), response);
}

/** A request as handlers know it. Its address is of no host: nobody asks for that but by its header. */
function asRequest(
  { method, url = '/', headers }: IncomingMessage,
  parts: AsyncIterator<Uint8Array>,
  signal: AbortSignal,
): Request {
  const body = new ReadableStream<Uint8Array>(
    {
      pull: async (controller) => {
        const { value, done } = await parts.next();
        if (done) controller.close();
        else controller.enqueue(value);
      },
    },
    { highWaterMark: 0 },
  );
  const lines = Object.entries(headers).map(([name, value = '']) => [name, String(value)] as const);
  return new Request(new URL(url, 'http://here'), {
    method,
    headers: lines as [string, string][],
    signal,
    ...(method !== 'GET' && { body, duplex: 'half' }),
  } as RequestInit);
}
