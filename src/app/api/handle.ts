import { NextResponse } from 'next/server';
import type { z } from 'zod';
import { problemsOf } from '@/core/class';
import type { Teacher } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { Conflict, NotFound } from '@/server/scope';
import { currentTeacher } from '../auth';

const MOST_BYTES = 2_000_000;

const refuse = (status: number, message: string, more: object = {}) =>
  NextResponse.json({ message, ...more }, { status });

/** A request from another site's page: its cookie alone must not be enough. */
function crossSite(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  return site !== null && site !== 'same-origin' && site !== 'none';
}

export interface Asked<T> {
  teacher: Teacher;
  body: T;
  now: number;
}

/**
 * The edge of every route handler: who is asking, is the body what it should be, and which answer
 * does an error deserve. A teacher reads the message, so it says what to do.
 */
export async function handle<T>(
  request: Request,
  schema: z.ZodType<T>,
  work: (asked: Asked<T>) => Promise<unknown>,
): Promise<Response> {
  const teacher = await currentTeacher();
  if (!teacher) return refuse(401, 'Sign in again; your sign-in has run out.');
  if (crossSite(request)) return refuse(403, 'This request came from another site.');
  let json: unknown = {};
  if (request.method !== 'GET') {
    const text = await request.text();
    if (text.length > MOST_BYTES) return refuse(413, 'This is too large to be stored.');
    try {
      json = text ? JSON.parse(text) : {};
    } catch {
      return refuse(400, 'The request is not JSON.');
    }
  } else json = Object.fromEntries(new URL(request.url).searchParams);
  const parsed = schema.safeParse(json);
  if (!parsed.success) {
    return refuse(400, 'Something in the request is not as it should be.', {
      problems: problemsOf(parsed.error),
    });
  }
  try {
    const answer = await work({ teacher, body: parsed.data, now: now() });
    return answer instanceof Response ? answer : NextResponse.json(answer);
  } catch (error) {
    if (error instanceof NotFound) return refuse(404, error.message);
    if (error instanceof Conflict) return refuse(409, error.message);
    throw error;
  }
}
