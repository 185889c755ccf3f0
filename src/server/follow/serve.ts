import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';
import { Refusal } from '@/core/calls';
import { cookieIn } from '../auth/cookies';
import { now } from '../clock';
import { db } from '../db';
import { errorFields, log } from '../watch/log';
import { Crowds, type Line } from './crowd';
import { followerOf } from './followers';
import { FOLLOW_COOKIE, MOST_LINES, MOST_LINES_EACH } from './limits';

/**
 * What many followers ask for at once: the time, the document and the line on which they hear what happens. It is
 * answered by node itself, past everything a page needs, since the same bytes go to hundreds of people.
 */

const shared = globalThis as { upBeatCrowds?: Crowds };
export function crowds(): Crowds {
  shared.upBeatCrowds ??= new Crowds(db());
  return shared.upBeatCrowds;
}

type Answer = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

const NO_STORE = { 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff' };
const MOST_SEQ = 1_000_000;

function json(response: ServerResponse, status: number, body: object, headers: object = {}): void {
  response.writeHead(status, { ...NO_STORE, 'Content-Type': 'application/json', ...headers });
  response.end(JSON.stringify(body));
}

async function crowdOf({ headers }: IncomingMessage) {
  const follower = await followerOf(db(), cookieIn(headers.cookie, FOLLOW_COOKIE), now());
  return { follower, crowd: await crowds().crowd(follower) };
}

const time: Answer = async (_, response) => {
  const arrived = now();
  json(response, 200, { arrived, now: now() });
};

const score: Answer = async (request, response) => {
  const { crowd } = await crowdOf(request);
  const packed = await crowd.document();
  if (!packed) throw new Refusal('class-not-ready');
  const etag = `"${crowd.place.sessionId} ${packed.made}"`;
  if (request.headers['if-none-match'] === etag) {
    response.writeHead(304, { ...NO_STORE, ETag: etag });
    response.end();
    return;
  }
  const zipped = /\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''));
  response.writeHead(200, {
    ...NO_STORE,
    'Content-Type': 'application/json',
    ETag: etag,
    Vary: 'Accept-Encoding',
    ...(zipped && { 'Content-Encoding': 'gzip' }),
  });
  response.end(zipped ? packed.zipped : packed.plain);
};

/** What comes after the head of an answer that is neither cut in chunks nor of a length goes out as it is. */
function lineTo(response: ServerResponse, socket: Socket): Line {
  socket.setNoDelay(true);
  return {
    write: (bytes) => socket.write(bytes),
    end: () => response.end(),
    destroy: () => response.destroy(),
    get writableLength() {
      return socket.writableLength;
    },
  };
}

const live: Answer = async (request, response) => {
  if (crowds().lines >= MOST_LINES) {
    return json(response, 503, { code: 'many-at-once' }, { 'Retry-After': '5' });
  }
  const { follower, crowd } = await crowdOf(request);
  if (crowd.linesOf(follower.id) >= MOST_LINES_EACH) {
    throw new Refusal('too-many-streams', String(MOST_LINES_EACH));
  }
  const { socket } = response;
  if (response.destroyed || !socket) return;
  const asked = URL.parse(request.url ?? '', 'http://here')?.searchParams.get('after');
  const after = Number(request.headers['last-event-id'] ?? asked ?? 0);
  // A line is over with its connection. Cut in chunks, each message would be four pieces instead of one.
  response.removeHeader('Transfer-Encoding');
  response.writeHead(200, {
    ...NO_STORE,
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  const leave = crowd.enter(
    lineTo(response, socket),
    follower.id,
    after >= 0 && after <= MOST_SEQ ? after : 0,
  );
  response.once('close', leave);
};

const ANSWERS: Readonly<Record<string, Answer>> = {
  '/api/follow/time': time,
  '/api/follow/score': score,
  '/api/follow/live': live,
};

/** Answers what followers ask for; false where a request is for somebody else. */
export function serveFollowers(request: IncomingMessage, response: ServerResponse): boolean {
  const [pathname = ''] = (request.url ?? '').split('?');
  const answer = Object.hasOwn(ANSWERS, pathname) ? ANSWERS[pathname] : undefined;
  if (!answer || request.method !== 'GET') return false;
  answer(request, response).catch((problem: unknown) => {
    if (response.headersSent) return response.destroy();
    if (problem instanceof Refusal) {
      const { code, message, status } = problem;
      return json(response, status, { code, message });
    }
    log().error(errorFields(problem), 'a follower was not answered');
    json(response, 503, { code: 'many-at-once' }, { 'Retry-After': '2' });
  });
  return true;
}
