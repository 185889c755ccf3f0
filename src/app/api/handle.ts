import type { z } from 'zod';
import { type Call, Refusal, type RefusalCode } from '@/core/calls';
import { problemsOf } from '@/core/class';
import { cookieIn } from '@/server/auth/cookies';
import { SIGN_IN_COOKIE, type Teacher, teacherOf } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db, isDataError } from '@/server/db';
import { type Follower, followerOf } from '@/server/follow/followers';
import { FOLLOW_COOKIE } from '@/server/follow/limits';
import { type HomeOwner, ownerOfHome } from '@/server/people/practice';
import { isBrokenOff } from '@/server/watch/broken-off';
import { log } from '@/server/watch/log';
import { metrics } from '@/server/watch/metrics';
import { isCrossSite } from '../same-site';
import { bodyOf, queryOf } from './body';

/** What is counted where the asker went away before the answer. */
const GONE = 499;

/** What a handler is told of a request, whoever asks. */
interface AskedAnyway<Asks extends z.ZodType> {
  /** The id in the path; empty where the path has none. */
  id: string;
  body: z.output<Asks>;
  /** When the request came; `now` is when it was understood. */
  arrived: number;
  now: number;
  request: Request;
}

export interface Asked<Asks extends z.ZodType> extends AskedAnyway<Asks> {
  teacher: Teacher;
  /** Whether the teacher is still signed in, for what goes on after the answer has begun. */
  stillThere: () => Promise<boolean>;
}

export interface AskedByOwner<Asks extends z.ZodType> extends AskedAnyway<Asks> {
  owner: HomeOwner;
}

export interface AskedByFollower<Asks extends z.ZodType> extends AskedAnyway<Asks> {
  follower: Follower;
}

interface Context {
  /** Nothing where the path has no part that varies. */
  params: Promise<{ id?: string } | undefined>;
}

/** Who asks, and what a handler is told of them. */
type Asker<Told> = (request: Request) => Promise<{ told: Told; studio: string }>;

/**
 * A route handler that keeps to a call of the contract: it finds out who is asking, reads what is
 * asked, and sends nothing but what the contract says. A handler that answers with a file or a stream
 * returns the response itself.
 */
export function answering<Asks extends z.ZodType, Answers extends z.ZodType>(
  call: Call<Asks, Answers>,
  work: (asked: Asked<Asks>) => Promise<z.input<Answers> | Response>,
): Handler {
  return handling(call, aTeacher, work);
}

/** A route handler for whoever follows a class, which keeps to a call of the contract. */
export function answeringFollower<Asks extends z.ZodType, Answers extends z.ZodType>(
  call: Call<Asks, Answers>,
  work: (asked: AskedByFollower<Asks>) => Promise<z.input<Answers> | Response>,
): Handler {
  return handling(call, aFollower, work);
}

/** A route handler for whoever has a page of their own, which keeps to a call of the contract. */
export function answeringOwner<Asks extends z.ZodType, Answers extends z.ZodType>(
  call: Call<Asks, Answers>,
  work: (asked: AskedByOwner<Asks>) => Promise<z.input<Answers> | Response>,
): Handler {
  return handling(call, anOwner, work);
}

async function aTeacher({ headers }: Request) {
  const token = cookieIn(headers.get('cookie'), SIGN_IN_COOKIE);
  const look = async () => (token === undefined ? null : teacherOf(db(), token, now()));
  const teacher = await look();
  if (!teacher) throw new Refusal('signed-out');
  const stillThere = async () => (await look()) !== null;
  return { told: { teacher, stillThere }, studio: teacher.studioId };
}

async function aFollower({ headers }: Request) {
  const token = cookieIn(headers.get('cookie'), FOLLOW_COOKIE);
  const follower = await followerOf(db(), token, now());
  return { told: { follower }, studio: follower.studioId };
}

/** Whoever shows the token of their own page; no cookie, so no other site can ask in their name. */
async function anOwner({ headers }: Request) {
  const [, token = ''] = /^Bearer ([\w-]{1,200})$/.exec(headers.get('authorization') ?? '') ?? [];
  const owner = await ownerOfHome(db(), token);
  if (!owner) throw new Refusal('no-such-home');
  return { told: { owner }, studio: owner.studioId };
}

export type Handler = (request: Request, context: Context) => Promise<Response>;

function handling<Told, Asks extends z.ZodType, Answers extends z.ZodType>(
  call: Call<Asks, Answers>,
  who: Asker<Told>,
  work: (asked: Told & AskedAnyway<Asks>) => Promise<z.input<Answers> | Response>,
): Handler {
  return async (request, { params }) => {
    const arrived = now();
    let studio: string | undefined;
    const ended = watch(call);
    try {
      const asker = await who(request);
      studio = asker.studio;
      if (isCrossSite(request)) throw new Refusal('cross-site');
      const body = call.asks.safeParse(
        call.takes ? fileAsked(request, call.takes) : await bodyOf(request),
      );
      if (!body.success) {
        throw new Refusal('not-as-asked', '', { problems: problemsOf(body.error) });
      }
      const id = idOf(call, (await params)?.id);
      const asked = { ...asker.told, id, body: body.data, arrived, now: now(), request };
      const answer = await work(asked);
      const response =
        answer instanceof Response ? answer : Response.json(call.answers.parse(answer));
      // What is about people stays in no cache, unless a handler knows better.
      if (!response.headers.has('cache-control')) response.headers.set('Cache-Control', 'no-store');
      ended({ status: response.status, studio });
      return response;
    } catch (error) {
      if (request.signal.aborted || isBrokenOff(error)) {
        // Whoever asked has gone, so nobody reads this.
        ended({ status: GONE, studio });
        return new Response(null, { status: GONE });
      }
      const refused = isDataError(error) ? new Refusal('not-as-asked') : error;
      if (!(refused instanceof Refusal)) {
        ended({ status: 500, studio });
        throw error;
      }
      const { code, message, status, more } = refused;
      ended({ status, studio, code });
      return Response.json({ ...more, code, message }, { status });
    }
  };
}

/** Counts a call and tells of it when it has ended. */
function watch({ method, path }: Call) {
  const name = `${method} ${path}`;
  const since = performance.now();
  return (how: { status: number; studio?: string; code?: RefusalCode }) => {
    const ms = performance.now() - since;
    metrics().calls.observe({ call: name, status: how.status }, ms / 1000);
    if (how.code) metrics().refusals.inc({ code: how.code });
    log().info({ call: name, ms: Math.round(ms), ...how }, 'call');
  };
}

/** A file is read by its handler, as it comes; here it is only looked at what it is said to be. */
function fileAsked(request: Request, type: string): unknown {
  if (request.headers.get('content-type') !== type) throw new Refusal('not-as-asked');
  return queryOf(request);
}

/** The id of a route; one that is no id at all is as good as not found. */
function idOf(call: Call, given: string | undefined): string {
  if (!call.id) return '';
  const id = call.id.safeParse(given);
  if (!id.success) throw new Refusal('not-found', 'address');
  return id.data;
}
