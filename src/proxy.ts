import { type NextRequest, NextResponse } from 'next/server';
import { cookieIn } from '@/server/auth/cookies';
import { SIGN_IN_COOKIE, teacherOf } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';

/** Every page gets a fresh nonce; scripts without it do not run. Styles may be inline, scripts never. */
function policy(nonce: string): string {
  const evaluating = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${evaluating}`,
    "worker-src 'self'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Most bytes that a form may have: one that brings a file or a list, any other, and one of a stranger. */
const MOST_BROUGHT = 3_000_000;
const MOST_FORM = 256_000;
const MOST_STRANGER = 64_000;
const BRINGS = ['/classes', '/calendar/bring', '/people/take-in'];

/**
 * Whether more is sent than anybody has a reason to. It is looked at before anything reads it, since taking a form
 * apart is work, whoever sent it.
 */
async function isTooLarge(request: NextRequest): Promise<boolean> {
  if (request.method === 'GET') return false;
  const length = request.headers.get('content-length');
  // Browsers say how long a form is.
  if (length === null) return request.headers.has('transfer-encoding');
  const bytes = Number(length);
  if (bytes <= MOST_STRANGER) return false;
  const most = BRINGS.includes(request.nextUrl.pathname) ? MOST_BROUGHT : MOST_FORM;
  return bytes > most || !(await isSignedIn(request));
}

/** Whether the cookie of a sign-in is a true one. */
async function isSignedIn(request: NextRequest): Promise<boolean> {
  const token = cookieIn(request.headers.get('cookie'), SIGN_IN_COOKIE);
  return token !== undefined && (await teacherOf(db(), token, now())) !== null;
}

const HSTS = 'max-age=31536000; includeSubDomains';

export async function proxy(request: NextRequest): Promise<NextResponse> {
  if (await isTooLarge(request)) {
    // As a page that acts can tell it.
    const headers = { 'Content-Type': 'text/plain' };
    return new NextResponse('This is too large.', { status: 413, headers });
  }
  const csp = policy(btoa(crypto.randomUUID()));
  const headers = new Headers(request.headers);
  headers.set('Content-Security-Policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', csp);
  // Where people reach it by https, as it is set.
  if (process.env.UPBEAT_URL?.startsWith('https:')) {
    response.headers.set('Strict-Transport-Security', HSTS);
  }
  return response;
}

/**
 * Calls are no pages: they have a policy of their own (`next.config.ts`) and limits of their own, and what passes here
 * is kept meanwhile, ten megabytes of it at most.
 */
export const config = { matcher: '/((?!_next/static|_next/image|icon.svg|api/).*)' };
